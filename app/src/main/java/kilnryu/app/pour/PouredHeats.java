package kilnryu.app.pour;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.melt.Heats;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;
import org.springframework.stereotype.Component;

/** What pours on record were made of. */
@Component
class PouredHeats implements Heats {
    private final PourStore store;

    PouredHeats(PourStore store) {
        this.store = store;
    }

    @Override
    public Optional<MakeUp> of(Account account, String casting) {
        return store.named(account.studioId(), casting)
                .flatMap(PourTaps::poured)
                .flatMap(p -> makeUp(p.after()));
    }

    /** By symbol; empty where no charge was reckoned. */
    static Optional<MakeUp> makeUp(Map<String, Double> after) {
        Map<Element, Double> percent = new EnumMap<>(Element.class);
        after.forEach((s, p) -> Element.named(s).ifPresent(e -> percent.put(e, p)));
        return percent.isEmpty() ? Optional.empty() : Optional.of(new MakeUp(percent));
    }
}
