package kilnryu.app.school;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.core.sum.Factors;

/** The schools of a studio: those that come along and its own. */
public record Schools(List<OwnSchool> own) {
    public static final Schools NONE = new Schools(List.of());

    public Schools {
        own = List.copyOf(own);
    }

    private Optional<OwnSchool> named(String key) {
        return own.stream().filter(s -> s.key().equals(key)).findFirst();
    }

    /** The school that comes along which a key means: itself, or the one it was copied from. */
    public String based(String key) {
        return named(key).map(OwnSchool::based).orElse(key);
    }

    /** The studio's constants with those of the chosen schools over them, by the fields of all sheets. */
    public Factors over(Factors studio, Iterable<Map<String, String>> sheets) {
        Factors all = studio;
        for (Map<String, String> sheet : sheets) {
            for (Craft craft : Craft.values()) {
                Optional<OwnSchool> chosen = named(sheet.getOrDefault(craft.field(), ""));
                if (chosen.isPresent() && chosen.get().craft() == craft) {
                    all = all.under(chosen.get().replacements());
                }
            }
        }
        return all;
    }

    /** What a select offers: all that come along, the studio's own, and one that is archived if it is still chosen. */
    public List<Option> options(String craft, String chosen) {
        Craft of = Craft.named(craft).orElseThrow();
        List<Option> options = new ArrayList<>();
        of.schools()
                .forEach(s -> options.add(
                        new Option(s.key(), of == Craft.BURNOUT ? s.label() + ": " + s.says() : s.label())));
        own.stream()
                .filter(s -> s.craft() == of && (!s.archived() || s.key().equals(chosen)))
                .forEach(s -> options.add(new Option(s.key(), s.name() + " (the studio's own)")));
        return options;
    }
}
