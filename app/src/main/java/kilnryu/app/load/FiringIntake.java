package kilnryu.app.load;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramStore;
import org.springframework.stereotype.Component;

/** Takes in kilns, programs and firings that were made elsewhere. */
@Component
public class FiringIntake {
    private final KilnStore kilns;
    private final ProgramStore programs;
    private final FiringStore firings;

    FiringIntake(KilnStore kilns, ProgramStore programs, FiringStore firings) {
        this.kilns = kilns;
        this.programs = programs;
        this.firings = firings;
    }

    public long kiln(Account owner, Map<String, String> fields) {
        return kilns.create(owner.studioId(), fields);
    }

    public long program(Account owner, Map<String, String> fields) {
        return programs.create(owner.studioId(), fields);
    }

    /** A planned firing of some trees. */
    public long firing(Account owner, long kiln, List<Long> trees, Map<String, String> fields) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("kiln", Long.toString(kiln));
        trees.forEach(t -> all.put("molds[" + t + "].in", "yes"));
        return firings.create(owner.studioId(), all, Optional.of(kiln), trees);
    }
}
