package kilnryu.app.breakout;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.pour.PouredMolds;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes taps of the wash bench in: each once, by what stands when the break-out is locked. */
@Service
class BreakOutTaps {
    static final Set<String> VERDICTS = Set.of("good", "mend", "scrap", "unseen");
    private static final Set<String> MASSES = Set.of("cast", "castings", "gating");
    private static final Set<String> KINDS = Stream.concat(
                    VERDICTS.stream(),
                    Stream.of(
                            "all-good",
                            "blasted",
                            "unblasted",
                            "pin",
                            "unpin",
                            "mass",
                            "unphoto",
                            "size",
                            "unsize",
                            "fact",
                            "cause",
                            "book",
                            "note"))
            .collect(Collectors.toUnmodifiableSet());

    private final BreakOutStore store;
    private final MetalStore metal;
    private final PouredMolds poured;
    private final Clock clock;

    BreakOutTaps(BreakOutStore store, MetalStore metal, PouredMolds poured, Clock clock) {
        this.store = store;
        this.metal = metal;
        this.poured = poured;
        this.clock = clock;
    }

    /** What came of a tap: a word where it was not taken. */
    record Taken(boolean ok, String word) {
        static final Taken OK = new Taken(true, "");

        static Taken no(String word) {
            return new Taken(false, word);
        }
    }

    /** What was tapped, as it came. @param ago milliseconds since, by the page's own clock */
    record TapRequest(String key, String kind, Map<String, String> form, long ago) {}

    @Transactional
    public Taken take(Account account, BreakOutStore.Row row, String treeName, TapRequest asked) {
        if (!KINDS.contains(asked.kind) || asked.key.length() > 64) {
            return Taken.no("There is no such tap.");
        }
        boolean open = store.lock(row.id());
        List<BreakOutStore.Event> events = store.events(row.id());
        if (events.stream().anyMatch(e -> e.tap().equals(asked.key))) {
            return Taken.OK;
        }
        if (!open) {
            return Taken.no("This break-out is closed: what was seen stays as it was.");
        }
        BreakOutCourse course = BreakOutCourse.of(row.tiles(), events);
        Integer casting = casting(asked.form);
        if (casting != null && course.casting(casting).isEmpty()) {
            return Taken.no("There is no casting " + casting + " on this tree.");
        }
        Map<String, String> fields = new HashMap<>();
        String wrong = fields(account, course, casting, asked, events, fields);
        if (!wrong.isEmpty()) {
            return Taken.no(wrong);
        }
        String kind = asked.kind.equals("book") ? "booked" : asked.kind;
        write(account, row, new BreakOutStore.Tap(asked.key, casting, kind, fields, moment(row, asked.ago)));
        if (kind.equals("booked")) {
            book(account, row, treeName, course.mass("gating").orElseThrow());
        }
        return Taken.OK;
    }

    /** A photo that was kept becomes part of the break-out. */
    @Transactional
    public boolean photo(Account account, BreakOutStore.Row row, Integer casting, long photo) {
        return store.lock(row.id())
                && write(
                        account,
                        row,
                        new BreakOutStore.Tap(
                                "photo-" + photo,
                                casting,
                                "photo",
                                Map.of("photo", Long.toString(photo)),
                                clock.instant()));
    }

    private boolean write(Account account, BreakOutStore.Row row, BreakOutStore.Tap tap) {
        boolean first = store.tap(account, row.id(), tap);
        BreakOutCourse after = BreakOutCourse.of(row.tiles(), store.events(row.id()));
        after.castings().stream()
                .filter(c -> tap.casting() == null || c.tile().number() == tap.casting())
                .forEach(c -> store.judged(row.id(), c));
        if (tap.kind().equals("mass")) {
            store.weighed(row.id(), after);
        }
        return first;
    }

    private static Integer casting(Map<String, String> form) {
        String text = form.getOrDefault("casting", "");
        return text.matches("\\d{1,6}") ? Integer.valueOf(text) : null;
    }

    /** Not before it began, and not in the future. */
    private Instant moment(BreakOutStore.Row row, long ago) {
        Instant now = clock.instant();
        Instant at = now.minusMillis(Math.max(0, ago));
        return at.isBefore(row.begunAt()) ? row.begunAt() : at;
    }

    /** What belongs to a tap. @return what is wrong with it, empty where nothing is */
    private String fields(
            Account account,
            BreakOutCourse course,
            Integer casting,
            TapRequest asked,
            List<BreakOutStore.Event> events,
            Map<String, String> out) {
        Map<String, String> form = asked.form;
        if (VERDICTS.contains(asked.kind)) {
            return verdict(course, casting, form.getOrDefault("saw", ""), events);
        }
        return switch (asked.kind) {
            case "pin" -> pin(account, course, casting, form, out);
            case "unpin" ->
                kept(
                        form,
                        out,
                        "pin",
                        course.castings().stream()
                                .flatMap(c -> c.pins().stream())
                                .anyMatch(p -> Long.toString(p.id()).equals(form.get("pin"))));
            case "unphoto" ->
                kept(
                        form,
                        out,
                        "photo",
                        course.photos().stream()
                                .anyMatch(p -> Long.toString(p.id()).equals(form.get("photo"))));
            case "unsize" ->
                kept(
                        form,
                        out,
                        "size",
                        course.sizes().stream()
                                .anyMatch(s -> Long.toString(s.id()).equals(form.get("size"))));
            case "mass" -> mass(account, casting, form, out);
            case "size" -> size(account, form, out);
            case "fact" -> fact(form, out);
            case "cause" -> cause(form, out);
            case "book" -> book(course);
            case "note" -> {
                out.put("text", OneLine.of(form.getOrDefault("text", "")));
                yield out.get("text").isEmpty() ? "Write a word first." : "";
            }
            default -> "";
        };
    }

    private static String kept(Map<String, String> form, Map<String, String> out, String what, boolean there) {
        out.put(what, form.getOrDefault(what, ""));
        return there ? "" : "It was taken away meanwhile.";
    }

    private static String verdict(
            BreakOutCourse course, Integer casting, String saw, List<BreakOutStore.Event> events) {
        if (casting == null) {
            return "Say which casting.";
        }
        BreakOutCourse.Verdict now = course.casting(casting).orElseThrow().at(course.stage());
        if (now.key().equals(saw)) {
            return "";
        }
        String by = events.stream()
                .filter(e -> VERDICTS.contains(e.kind()) && casting.equals(e.casting()))
                .reduce((a, b) -> b)
                .map(e -> " by " + e.by())
                .orElse("");
        return "Casting " + casting + " was marked " + now.label() + " meanwhile" + by + ". Look again, then tap.";
    }

    private static String pin(
            Account account,
            BreakOutCourse course,
            Integer casting,
            Map<String, String> form,
            Map<String, String> out) {
        if (casting == null) {
            return "Touch a casting first: a defect sits on one of them.";
        }
        Optional<DefectKind> kind = DefectKind.named(form.getOrDefault("defect", ""));
        if (kind.isEmpty()) {
            return "Choose what is seen.";
        }
        double x = share(form.get("x"));
        double y = share(form.get("y"));
        boolean onPhoto = !form.getOrDefault("photo", "").isEmpty();
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)
                || !onPhoto && !course.casting(casting).orElseThrow().tile().holds(new Tile.Point(x, y))) {
            return "That point is not on the casting. Touch the drawing where the defect sits.";
        }
        String photo = form.getOrDefault("photo", "");
        if (!photo.isEmpty()
                && course.photos().stream().noneMatch(p -> Long.toString(p.id()).equals(photo))) {
            return "That photo was taken away meanwhile.";
        }
        String wrong = extent(account, form.getOrDefault("extent", ""), out);
        if (!wrong.isEmpty()) {
            return wrong;
        }
        out.put("defect", kind.get().key());
        out.put("x", Show.exact(x));
        out.put("y", Show.exact(y));
        out.put("places", places(form));
        Defect.Extent.named(form.getOrDefault("bad", "")).ifPresent(b -> out.put("bad", b.key()));
        if (!photo.isEmpty()) {
            out.put("photo", photo);
        }
        out.put("note", OneLine.of(form.getOrDefault("note", "")));
        return "";
    }

    private static double share(String text) {
        try {
            return text == null || text.isBlank() ? 0.5 : Double.parseDouble(text);
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    private static String places(Map<String, String> form) {
        return java.util.Arrays.stream(Place.values())
                .filter(p -> form.containsKey("place-" + p.key()))
                .map(Place::key)
                .collect(Collectors.joining(","));
    }

    /** As typed, in mm or %. */
    private static String extent(Account account, String typed, Map<String, String> out) {
        if (typed.isBlank()) {
            return "";
        }
        boolean percent = typed.strip().endsWith("%");
        Fields fields = Fields.typed(Map.of("extent", typed), account.units());
        OptionalDouble read = fields.quantity("extent", percent ? Range.SHARE : Range.LENGTH);
        read.ifPresent(v -> out.put("extent", typed.strip()));
        return fields.errors().getOrDefault("extent", "");
    }

    private static String mass(Account account, Integer casting, Map<String, String> form, Map<String, String> out) {
        String what = form.getOrDefault("what", "");
        if (casting == null && !MASSES.contains(what)) {
            return "Say what was weighed.";
        }
        Fields fields = Fields.typed(Map.of("value", form.getOrDefault("value", "")), account.units());
        OptionalDouble grams = fields.required("value", Range.MASS);
        grams.ifPresent(g -> out.put("grams", Show.exact(g)));
        out.put("what", what);
        return fields.errors().getOrDefault("value", "");
    }

    /** Each size in any unit; what is kept is mm. */
    private static String size(Account account, Map<String, String> form, Map<String, String> out) {
        Fields fields = Fields.typed(form, account.units());
        boolean any = false;
        for (String what : List.of("pattern", "print", "casting", "wanted")) {
            // the casting itself is told by its number
            OptionalDouble read = fields.quantity(what.equals("casting") ? "cast" : what, Range.LENGTH);
            any |= read.isPresent();
            read.ifPresent(v -> out.put(what, Show.exact(v)));
        }
        fields.quantity("tolerance", Range.LENGTH_OR_NONE).ifPresent(v -> out.put("tolerance", Show.exact(v)));
        String place = OneLine.of(form.getOrDefault("place", ""));
        out.put("place", place);
        out.put("way", form.getOrDefault("way", "outside"));
        out.put("hot", form.containsKey("hot") ? "yes" : "");
        if (!fields.errors().isEmpty()) {
            return fields.errors().values().iterator().next();
        }
        if (place.isEmpty()) {
            return "Say where it was measured, so that it is found again on the next one.";
        }
        return any ? apart(out) : "Type at least one size.";
    }

    /** Two sizes of one place that differ by half and more are of two places, or of two units. */
    private static String apart(Map<String, String> out) {
        List<Double> sizes = Stream.of("pattern", "print", "casting", "wanted")
                .filter(out::containsKey)
                .map(w -> Double.parseDouble(out.get(w)))
                .sorted()
                .toList();
        double ratio = sizes.get(sizes.size() - 1) / sizes.get(0);
        return ratio < 1.5
                ? ""
                : Math.abs(ratio / 25.4 - 1) < 0.2
                        ? "One of these is about 25 times another: inches and millimetres? Write the unit beside it."
                        : "These sizes are too far apart for one place. Look at them again.";
    }

    private static String fact(Map<String, String> form, Map<String, String> out) {
        Optional<FactKey> key = FactKey.named(form.getOrDefault("fact", "")).filter(FactKey::isAsked);
        if (key.isEmpty()) {
            return "There is no such question.";
        }
        String value = form.getOrDefault("value", "").strip();
        out.put("fact", key.get().key());
        out.put("value", value);
        if (value.isEmpty() || key.get().words().contains(value)) {
            return "";
        }
        try {
            double number = Double.parseDouble(value.replace(',', '.'));
            out.put("value", Show.exact(number));
            return key.get().isNumber()
                            && number >= key.get().low()
                            && number <= key.get().high()
                    ? ""
                    : "That cannot be: " + key.get().label() + ".";
        } catch (NumberFormatException e) {
            return "That is no answer to: " + key.get().label() + ".";
        }
    }

    private static String cause(Map<String, String> form, Map<String, String> out) {
        String id = form.getOrDefault("cause", "");
        out.put("cause", id);
        return id.isEmpty()
                        || id.startsWith("own-")
                        || Causes.handbook().named(id).isPresent()
                ? ""
                : "There is no such cause.";
    }

    private static String book(BreakOutCourse course) {
        if (course.booked()) {
            return "The gating is in the store already.";
        }
        return course.mass("gating").isEmpty() ? "Weigh the gating first." : "";
    }

    /** Gating comes back to the store with the make-up of its pour; of unknown make-up where no pour is on record. */
    private void book(Account account, BreakOutStore.Row row, String treeName, double grams) {
        Optional<MakeUp> makeUp = poured.makeUp(account, row.tree());
        metal.create(
                account,
                new MetalStore.MetalLotDraft(
                        "gating of " + treeName,
                        makeUp.isPresent() ? Stock.Type.RETURN : Stock.Type.UNKNOWN,
                        makeUp,
                        grams,
                        new HashMap<>(Map.of("of_casting", treeName)),
                        "cut off at break-out"));
    }
}
