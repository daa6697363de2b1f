package kilnryu.app.wax;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.rubber.RubberMolds;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.sum.Factors;
import org.springframework.stereotype.Component;

/** Reads the sheet of a wax with what is known of its mold and its piece. */
@Component
class WaxSheets {
    private final RubberMolds molds;
    private final PieceParts parts;
    private final FactorStore factors;

    WaxSheets(RubberMolds molds, PieceParts parts, FactorStore factors) {
        this.molds = molds;
        this.parts = parts;
        this.factors = factors;
    }

    /** @param made when the wax was planned: what was learned later does not move it; null for a new one */
    WaxSheet of(Account account, Map<String, String> typed, Instant made) {
        Optional<RubberMolds.Mold> mold = number(typed.get("mold")).flatMap(m -> molds.find(account, m));
        Factors own = made == null ? factors.of(account.studioId()) : factors.of(account.studioId(), made);
        Optional<Double> area = number(typed.get("piece")).flatMap(p -> parts.area(account, p));
        return WaxSheet.read(account, typed, new WaxSheet.Around(mold, area, own));
    }

    /** Asks for the pieces of several waxes at once. */
    void foresee(Account account, List<TappedStore.Row> rows) {
        parts.foresee(account, RubberMolds.pieces(rows));
    }

    static Optional<Long> number(String text) {
        return text != null && text.matches("\\d{1,18}") ? Optional.of(Long.parseLong(text)) : Optional.empty();
    }
}
