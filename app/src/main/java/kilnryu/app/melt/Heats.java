package kilnryu.app.melt;

import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.core.melt.MakeUp;

/** Knows what earlier castings were made of. */
public interface Heats {
    /** The make-up after the melt of the pour with this name, or of the tree that was cast in one; the last where there are more. */
    Optional<MakeUp> of(Account account, String casting);
}
