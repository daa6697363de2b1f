package kilnryu.app.wax;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.pattern.Repair;
import kilnryu.core.wax.Slush;

/** What may be tapped of a wax at its bench, and what is wrong with a tap. */
final class WaxTaps {
    private WaxTaps() {}

    /** What forbids it, in words; empty where it may be kept, and then {@code fields} holds what is kept of it. */
    static String fault(
            Account account, WaxSheet sheet, WaxCourse course, Map<String, String> form, Map<String, String> fields) {
        String kind = form.getOrDefault("kind", "");
        String next = WaxView.next(sheet, course);
        Fields read = Fields.typed(form, account.units());
        return switch (kind) {
            case "wash", "washed", "cure", "cured" -> PatternTaps.bath(kind, next);
            case "bare", "coated" -> PatternTaps.weighed(read, fields);
            case "burn" -> PatternTaps.burnt(read, form, fields);
            case "paint" -> painted(read, form, fields);
            case "window" -> windowed(read, form, fields);
            case "pour" ->
                sheet.slush().isEmpty() || sheet.slush().get().layers().isEmpty()
                        ? "Nothing is planned to be poured: finish its sheet first."
                        : next.equals("pour") || next.equals("pulled") ? "" : "It stands full already.";
            case "out" -> next.equals("out") ? "" : "It does not stand full.";
            case "pulled" ->
                course.pulled().isPresent()
                        ? "It was pulled already."
                        : course.poured().isPresent() || course.layers().isEmpty() ? "Turn it out first." : "";
            case "wall" -> measured(read, form, fields, sheet, course);
            case "weigh" -> number(read, "grams", "grams", Range.MASS, fields);
            case "check" -> checked(sheet, form, fields);
            case "repair" -> repaired(form, fields);
            case "sign" -> signed(sheet, course, form, fields);
            default -> "There is no such tap.";
        };
    }

    private static String number(Fields read, String path, String into, Range range, Map<String, String> fields) {
        OptionalDouble value = read.required(path, range);
        value.ifPresent(v -> fields.put(into, Show.exact(v)));
        return read.errors().getOrDefault(path, "");
    }

    /** What the model has for the time that its layers stood goes with it, without the studio's own factor: it teaches that. */
    private static String measured(
            Fields read, Map<String, String> form, Map<String, String> fields, WaxSheet sheet, WaxCourse course) {
        fields.put("where", OneLine.of(form.getOrDefault("where", "")));
        double stood = course.layers().stream().mapToDouble(s -> s).sum();
        sheet.slush().flatMap(Slush::coefficient).filter(c -> stood > 0).ifPresent(c -> {
            double start = sheet.question().orElseThrow().start();
            fields.put("model", String.format(Locale.ROOT, "%.4f", Slush.byModel(c, start, stood)));
        });
        return number(read, "mm", "mm", WaxFields.WALL, fields);
    }

    private static String checked(WaxSheet sheet, Map<String, String> form, Map<String, String> fields) {
        Optional<WaxCheck> check =
                WaxCheck.named(form.getOrDefault("what", "")).filter(WaxCheck.of(sheet.made())::contains);
        String sound = form.getOrDefault("sound", "");
        if (check.isEmpty() || !sound.equals("yes") && !sound.equals("no")) {
            return "Choose what was looked at, and whether it is sound.";
        }
        fields.put("what", check.get().key());
        fields.put("sound", sound);
        return "";
    }

    private static String repaired(Map<String, String> form, Map<String, String> fields) {
        String what = OneLine.of(form.getOrDefault("what", ""));
        if (what.isEmpty()) {
            return "Say what was mended and where.";
        }
        Optional<Repair> fault = Repair.named(form.getOrDefault("fault", ""));
        String side = OneLine.of(form.getOrDefault("side", ""));
        fault.ifPresent(f -> fields.put("fault", f.key()));
        fields.put("what", what);
        fields.put("side", side.isEmpty() ? fault.map(Repair::leaves).orElse("") : side);
        return "";
    }

    /** Edges, tips and spouts are painted: where, and how thick if it is known. */
    private static String painted(Fields read, Map<String, String> form, Map<String, String> fields) {
        String what = OneLine.of(form.getOrDefault("what", ""));
        if (what.isEmpty()) {
            return "Say where wax was painted on.";
        }
        OptionalDouble mm = read.quantity("paint_mm", WaxFields.WALL);
        if (read.hasErrors()) {
            return read.errors().values().iterator().next();
        }
        fields.put("what", what);
        mm.ifPresent(v -> fields.put("mm", Show.exact(v)));
        return "";
    }

    /** A window is cut and kept: where, what it weighs, how it comes to metal; the last two may be said later by another. */
    private static String windowed(Fields read, Map<String, String> form, Map<String, String> fields) {
        String what = OneLine.of(form.getOrDefault("what", ""));
        if (what.isEmpty()) {
            return "Say where the window was cut.";
        }
        OptionalDouble grams = read.quantity("window_g", Range.MASS);
        if (read.hasErrors()) {
            return read.errors().values().iterator().next();
        }
        fields.put("what", what);
        fields.put("gate", OneLine.of(form.getOrDefault("gate", "")));
        grams.ifPresent(g -> fields.put("grams", Show.exact(g)));
        return "";
    }

    private static String signed(
            WaxSheet sheet, WaxCourse course, Map<String, String> form, Map<String, String> fields) {
        String name = OneLine.of(form.getOrDefault("name", ""));
        if (name.length() < 2) {
            return "A sign-off wants a name.";
        }
        if (!WaxView.inHand(sheet, course)) {
            return sheet.pattern().isPresent() ? "It is not cured through." : "It is in its mold still.";
        }
        if (sheet.pattern().filter(p -> p.stopped(course.pattern())).isPresent()) {
            return "What it does in fire forbids it, or is not known: a burn test first.";
        }
        if (WaxCheck.of(sheet.made()).stream().anyMatch(c -> !course.checks().getOrDefault(c.key(), false))) {
            return "Not all was looked at and found sound.";
        }
        fields.put("name", name);
        return "";
    }
}
