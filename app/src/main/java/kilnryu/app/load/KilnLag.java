package kilnryu.app.load;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.factor.LogConstants;
import kilnryu.app.sheet.Fields;
import kilnryu.core.sum.Replacement;
import org.springframework.stereotype.Component;

/** What a kiln lags behind its programs, kept with the firing that it was planned for. */
@Component
public class KilnLag {
    private final FactorStore factors;

    KilnLag(FactorStore factors) {
        this.factors = factors;
    }

    /** Times as long as its program asks; empty where nothing was taken for the kiln it stands in. */
    static OptionalDouble of(Fields fields) {
        Optional<String> kiln = fields.text(LoadFields.LAG_KILN);
        Optional<String> times = fields.text(LoadFields.LAG_TIMES);
        return kiln.isPresent()
                        && kiln.equals(fields.text(LoadFields.KILN))
                        && times.filter(t -> t.matches("\\d(\\.\\d{1,6})?")).isPresent()
                ? OptionalDouble.of(Double.parseDouble(times.get()))
                : OptionalDouble.empty();
    }

    /** With what stands for its kiln today, where the firing is new or was moved to another kiln. */
    public Map<String, String> kept(long studio, Map<String, String> before, Map<String, String> written) {
        String kiln = written.getOrDefault("kiln", "");
        if (kiln.equals(before.get("kiln")) || !kiln.matches("\\d{1,18}")) {
            return written;
        }
        Map<String, String> all = new HashMap<>(written);
        all.remove(LoadFields.LAG_KILN.path());
        all.remove(LoadFields.LAG_TIMES.path());
        Replacement own = factors.of(studio)
                .replaced()
                .get(LogConstants.lag(Long.parseLong(kiln)).key());
        if (own != null) {
            all.put(LoadFields.LAG_KILN.path(), kiln);
            all.put(LoadFields.LAG_TIMES.path(), String.format(java.util.Locale.ROOT, "%.4f", own.value()));
        }
        return all;
    }
}
