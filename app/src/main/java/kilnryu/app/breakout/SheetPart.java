package kilnryu.app.breakout;

import java.util.List;
import kilnryu.app.account.Account;

/** A part of a job sheet that another station brings. */
public interface SheetPart {
    String title();

    /** Empty where there is nothing to say. */
    List<String> lines(Account account, long tree);
}
