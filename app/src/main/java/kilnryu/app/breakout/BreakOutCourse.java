package kilnryu.app.breakout;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.breakout.SizePair;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;

/** How the castings of a tree stand, from what was tapped: a page that was away, a restart, a second phone all see the same. */
final class BreakOutCourse {
    /** What a casting is. */
    enum Verdict {
        UNSEEN("not looked at", "note"),
        GOOD("good", "good"),
        MEND("to mend", "warn"),
        SCRAP("scrap", "stop");

        private final String label;
        private final String mark;

        Verdict(String label, String mark) {
            this.label = label;
            this.mark = mark;
        }

        static Optional<Verdict> named(String key) {
            return Arrays.stream(values()).filter(v -> v.key().equals(key)).findFirst();
        }

        String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        String label() {
            return label;
        }

        String mark() {
            return mark;
        }

        /** What the next tap makes of it. */
        Verdict next() {
            return values()[(ordinal() + 1) % values().length];
        }
    }

    /** Before it was cleaned, or after blasting. */
    enum Stage {
        BEFORE("before cleaning"),
        AFTER("after blasting");

        private final String label;

        Stage(String label) {
            this.label = label;
        }

        String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        String label() {
            return label;
        }
    }

    /**
     * A defect that was set with a finger.
     *
     * @param at share of the casting's box, or of the photo
     * @param extent as it was typed, with its unit; empty where nobody said
     * @param photo its number; empty where it is set on the drawing
     */
    record Pin(
            long id,
            DefectKind kind,
            Tile.Point at,
            Set<Place> places,
            Optional<Defect.Extent> bad,
            String extent,
            Stage stage,
            Optional<Long> photo,
            String note,
            String by) {}

    /** A photo. @param casting empty where it shows the whole tree */
    record Taken(long id, Optional<Integer> casting, Stage stage, String by) {}

    /** A measure of the piece. @param casting on which it was taken; empty where nobody said */
    record Size(long id, Optional<Integer> casting, String place, SizePair pair) {}

    /** A casting as it stands. */
    static final class Casting {
        private final Tile tile;
        private final Map<Stage, Verdict> verdicts = new EnumMap<>(Stage.class);
        private final Map<Long, Pin> pins = new LinkedHashMap<>();
        private OptionalDouble grams = OptionalDouble.empty();

        private Casting(Tile tile) {
            this.tile = tile;
        }

        Tile tile() {
            return tile;
        }

        /** As it was last looked at. */
        Verdict verdict() {
            Verdict after = verdicts.getOrDefault(Stage.AFTER, Verdict.UNSEEN);
            return after == Verdict.UNSEEN ? first() : after;
        }

        /** As it came out of the mold. */
        Verdict first() {
            return verdicts.getOrDefault(Stage.BEFORE, Verdict.UNSEEN);
        }

        /** What a page shows of it, by which a tap says what it saw. */
        Verdict at(Stage stage) {
            return verdicts.getOrDefault(stage, Verdict.UNSEEN);
        }

        List<Pin> pins() {
            return List.copyOf(pins.values());
        }

        OptionalDouble grams() {
            return grams;
        }
    }

    private final Map<Integer, Casting> castings = new LinkedHashMap<>();
    private final Map<String, Double> masses = new LinkedHashMap<>();
    private final Map<FactKey, String> facts = new EnumMap<>(FactKey.class);
    private final Map<Long, Taken> photos = new LinkedHashMap<>();
    private final Map<Long, Size> sizes = new LinkedHashMap<>();
    private Stage stage = Stage.BEFORE;
    private String cause = "";
    private String confirmedBy = "";
    private boolean booked;

    private BreakOutCourse(List<Tile> tiles) {
        tiles.forEach(t -> castings.put(t.number(), new Casting(t)));
    }

    static BreakOutCourse of(List<Tile> tiles, List<BreakOutStore.Event> events) {
        BreakOutCourse course = new BreakOutCourse(tiles);
        events.forEach(course::apply);
        return course;
    }

    private void apply(BreakOutStore.Event e) {
        Casting casting = e.casting() == null ? null : castings.get(e.casting());
        switch (e.kind()) {
            case "good", "mend", "scrap", "unseen" -> judged(e, casting);
            case "all-good" ->
                castings.values().stream()
                        .filter(c -> c.at(stage) == Verdict.UNSEEN)
                        .forEach(c -> c.verdicts.put(stage, Verdict.GOOD));
            case "blasted" -> stage = Stage.AFTER;
            case "unblasted" -> stage = Stage.BEFORE;
            case "pin" -> pinned(e, casting);
            case "unpin" ->
                castings.values().forEach(c -> c.pins.remove(number(e.fields().get("pin"))));
            case "mass" -> weighed(e, casting);
            case "photo" ->
                photos.put(
                        number(e.fields().get("photo")),
                        new Taken(number(e.fields().get("photo")), Optional.ofNullable(e.casting()), stage, e.by()));
            case "unphoto" -> photos.remove(number(e.fields().get("photo")));
            case "size" -> sizes.put(e.id(), size(e));
            case "unsize" -> sizes.remove(number(e.fields().get("size")));
            case "fact" -> fact(e);
            case "cause" -> {
                cause = e.fields().getOrDefault("cause", "");
                confirmedBy = e.by();
            }
            case "booked" -> booked = true;
            default -> {
                // a note, a tap that was refused: on record, and nothing else
            }
        }
    }

    private static Long number(String text) {
        return text != null && text.matches("\\d{1,18}") ? Long.valueOf(text) : Long.valueOf(0);
    }

    private void judged(BreakOutStore.Event e, Casting casting) {
        if (casting != null) {
            casting.verdicts.put(stage, Verdict.named(e.kind()).orElseThrow());
        }
    }

    private void pinned(BreakOutStore.Event e, Casting casting) {
        Optional<DefectKind> kind = DefectKind.named(e.fields().getOrDefault("defect", ""));
        if (casting == null || kind.isEmpty()) {
            return;
        }
        Set<Place> places = EnumSet.noneOf(Place.class);
        for (String p : e.fields().getOrDefault("places", "").split(",")) {
            Place.named(p).ifPresent(places::add);
        }
        casting.pins.put(
                e.id(),
                new Pin(
                        e.id(),
                        kind.get(),
                        new Tile.Point(
                                Double.parseDouble(e.fields().get("x")),
                                Double.parseDouble(e.fields().get("y"))),
                        places,
                        Defect.Extent.named(e.fields().getOrDefault("bad", "")),
                        e.fields().getOrDefault("extent", ""),
                        stage,
                        Optional.ofNullable(e.fields().get("photo")).map(BreakOutCourse::number),
                        e.fields().getOrDefault("note", ""),
                        e.by()));
    }

    private void weighed(BreakOutStore.Event e, Casting casting) {
        double grams = Double.parseDouble(e.fields().get("grams"));
        if (casting != null) {
            casting.grams = OptionalDouble.of(grams);
        } else {
            masses.put(e.fields().getOrDefault("what", ""), grams);
        }
    }

    private void fact(BreakOutStore.Event e) {
        Optional<FactKey> key = FactKey.named(e.fields().getOrDefault("fact", ""));
        String value = e.fields().getOrDefault("value", "");
        if (key.isPresent() && value.isEmpty()) {
            facts.remove(key.get());
        } else {
            key.ifPresent(k -> facts.put(k, value));
        }
    }

    List<Casting> castings() {
        return List.copyOf(castings.values());
    }

    Optional<Casting> casting(int number) {
        return Optional.ofNullable(castings.get(number));
    }

    Stage stage() {
        return stage;
    }

    /** cast, castings or gating, g; empty where not weighed. */
    OptionalDouble mass(String what) {
        if (what.equals("castings") && !masses.containsKey(what)) {
            return each();
        }
        return masses.containsKey(what) ? OptionalDouble.of(masses.get(what)) : OptionalDouble.empty();
    }

    /** The castings' own masses together, where every one was weighed. */
    private OptionalDouble each() {
        return castings.isEmpty() || castings.values().stream().anyMatch(c -> c.grams.isEmpty())
                ? OptionalDouble.empty()
                : OptionalDouble.of(castings.values().stream()
                        .mapToDouble(c -> c.grams.getAsDouble())
                        .sum());
    }

    /** What was answered when it was asked for, by its key. */
    Map<FactKey, String> facts() {
        return Map.copyOf(facts);
    }

    /** Id of the cause that the caster found to be the one; empty before. */
    String cause() {
        return cause;
    }

    String confirmedBy() {
        return confirmedBy;
    }

    boolean booked() {
        return booked;
    }

    List<Taken> photos() {
        return List.copyOf(photos.values());
    }

    List<Size> sizes() {
        return List.copyOf(sizes.values());
    }

    private static Size size(BreakOutStore.Event e) {
        Map<String, String> f = e.fields();
        return new Size(
                e.id(),
                Optional.ofNullable(e.casting()),
                f.getOrDefault("place", ""),
                new SizePair(
                        f.getOrDefault("way", "outside").equals("bore") ? SizePair.Way.BORE : SizePair.Way.OUTSIDE,
                        millimetres(f, "pattern"),
                        millimetres(f, "print"),
                        millimetres(f, "casting"),
                        millimetres(f, "wanted"),
                        millimetres(f, "tolerance"),
                        f.getOrDefault("hot", "").equals("yes")));
    }

    private static OptionalDouble millimetres(Map<String, String> fields, String what) {
        String text = fields.getOrDefault(what, "");
        return text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(text));
    }

    long count(Verdict verdict) {
        return castings.values().stream().filter(c -> c.verdict() == verdict).count();
    }

    boolean allSeen() {
        return count(Verdict.UNSEEN) == 0;
    }
}
