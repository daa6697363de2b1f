package kilnryu.app.finishing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.pour.PouredMolds;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;
import org.springframework.stereotype.Component;

/** Of which metal a tree and the other trees of its piece were poured, and whether their colours will differ. */
@Component
class Heats {
    /** Share of an element from which two heats of an alloy are seen side by side; our own figure, %. */
    private static final double SEEN = 0.5;

    private final FinishStore store;
    private final PouredMolds poured;

    Heats(FinishStore store, PouredMolds poured) {
        this.store = store;
        this.poured = poured;
    }

    /**
     * Metal of a section.
     *
     * @param heat of which pour, or that none is on record
     * @param madeOf as weighed in, else as planned; empty where it is not known
     * @param against its colour beside this tree's; empty for the tree itself
     */
    public record Heat(long tree, String name, String alloy, String heat, String madeOf, String against) {}

    private record Known(FinishStore.Section section, Optional<PouredMold> mold, Optional<MakeUp> madeOf) {}

    /** The tree first, then others with a section of the same piece. */
    List<Heat> of(Account account, long tree) {
        List<Heat> heats = new ArrayList<>();
        Known self = null;
        for (FinishStore.Section section : store.sections(account.studioId(), tree)) {
            Known known = new Known(
                    section,
                    poured.of(account.studioId(), section.tree())
                            .filter(m -> m.poured().isPresent()),
                    poured.makeUp(account, section.tree()));
            self = self == null ? known : self;
            heats.add(new Heat(
                    section.tree(),
                    section.name(),
                    label(section),
                    known.mold().map(PouredMold::name).orElse("no pour on record"),
                    known.mold()
                            .flatMap(m -> known.madeOf())
                            .map(MakeUp::toString)
                            .orElse(""),
                    self == known ? "" : against(self, known)));
        }
        return heats;
    }

    private static String label(FinishStore.Section section) {
        return Alloy.named(section.alloy()).map(Alloy::label).orElse(section.alloy());
    }

    private static String against(Known self, Known other) {
        if (!self.section().alloy().equals(other.section().alloy())) {
            return "Another alloy: its colour and its patina differ.";
        }
        if (self.mold().isEmpty() || other.mold().isEmpty()) {
            return "Not yet judged: a heat is not on record.";
        }
        if (self.mold().get().pour() == other.mold().get().pour()) {
            return "The same heat.";
        }
        if (self.madeOf().isEmpty() || other.madeOf().isEmpty()) {
            return "Another heat; what it was made of is not on record.";
        }
        String apart = apart(self.madeOf().get(), other.madeOf().get());
        return apart.isEmpty()
                ? "Another heat, made alike within " + SEEN + " %."
                : "Another heat, made otherwise: " + apart + ". Try the patina on a sprue of each.";
    }

    static String apart(MakeUp one, MakeUp other) {
        TreeSet<Element> elements = new TreeSet<>(one.percent().keySet());
        elements.addAll(other.percent().keySet());
        return elements.stream()
                .filter(e -> Math.abs(one.of(e) - other.of(e)) >= SEEN)
                .map(e -> String.format(Locale.ROOT, "%s %.1f here, %.1f there", e.symbol(), one.of(e), other.of(e)))
                .collect(Collectors.joining("; "));
    }
}
