package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** What stands against a shell. */
final class ShellChecks {
    private static final double SLOW_H = 24;
    private static final double MOST_TIMES = 2;
    /** A kept room with a fan. */
    private static final Air USUAL = new Air(22, 50, 1);

    private final ShellPlan plan;
    private final ShellQuestion q;
    private final Factors factors;
    private final List<Finding> found = new ArrayList<>();

    ShellChecks(ShellPlan plan, Factors factors) {
        this.plan = plan;
        this.q = plan.question();
        this.factors = factors;
    }

    Findings check() {
        order();
        drying();
        plan.strength().ifPresent(this::strength);
        if (q.openness() == Drying.Openness.BLIND && !q.window()) {
            found.add(Finding.warn(
                            "blind-hollow",
                            "shell.window",
                            "A deep blind hollow without a window.",
                            "Its inside dries three times slower and is the place that cracks; its core has no way out.",
                            "Cut a window of 20 mm or more in the wax, close it later with a plug of the same wax and"
                                    + " weld the plug in the casting; or an open end.")
                    .from(plan.thickness()));
        }
        q.body().ifPresent(this::body);
        return new Findings(found);
    }

    /** Fine coats belong beneath coarse ones, the first of them on the wax. */
    private void order() {
        List<Coat> coats = q.recipe().coats();
        if (!coats.get(0).isPrime()) {
            found.add(Finding.warn(
                            "no-prime",
                            "shell.recipe",
                            "The first coat is no prime.",
                            "Coarse stucco on the wax prints its grain on the casting.",
                            "Begin with a plain prime or a prime.")
                    .from(plan.thickness()));
        }
        for (int i = 1; i < coats.size(); i++) {
            if (coats.get(i).isPrime() && !coats.get(i - 1).isPrime()) {
                found.add(Finding.warn(
                                "prime-late",
                                "shell.recipe",
                                "A prime lies on a coarser coat, as number " + (i + 1) + ".",
                                "A fine coat on a coarse one shrinks off it and flakes.",
                                "Primes first, then intermediate, then backups.")
                        .from(plan.thickness()));
                break;
            }
        }
        if (coats.indexOf(Coat.SEAL) >= 0 && coats.indexOf(Coat.SEAL) < coats.size() - 1) {
            found.add(Finding.note(
                            "seal-early",
                            "shell.recipe",
                            "A seal coat lies under other coats.",
                            "It holds the water of the coats on it.",
                            "The seal goes on last.")
                    .from(plan.thickness()));
        }
    }

    private void drying() {
        Air air = q.air();
        Figure wetBulb = air.wetBulb();
        if (plan.drying().isEmpty()) {
            found.add(Finding.stop(
                            "never-dries",
                            "climate",
                            say("At %.0f %% humidity the air takes up no water: no coat ever dries.", air.humidity()),
                            "The next dip would soften the coat beneath and slide off with it.",
                            "Dehumidify the room, or warm it without adding water; a fan alone does not help.")
                    .from(wetBulb));
            return;
        }
        Figure slowest = plan.layers().stream()
                .map(l -> l.drying().orElseThrow())
                .max(java.util.Comparator.comparingDouble(Figure::value))
                .orElseThrow();
        if (slowest.value() > SLOW_H) {
            found.add(Finding.warn(
                            "dries-slowly",
                            "climate",
                            say("The slowest coat dries %.0f h.", slowest.value()),
                            "Each dip costs more than a day, and the wax grows and shrinks with every change of the room.",
                            air.speed() < 1
                                    ? "Moving air first: a fan at 1 m/s does more than warmth. Drier air next."
                                    : "Drier air; a window into the hollow.")
                    .from(slowest));
        }
        if (air.cold()) {
            found.add(Finding.warn(
                            "cold-room",
                            "climate",
                            say("The room is at %.0f °C.", air.celsius()),
                            "Under 10 °C coats dry many times slower, the binder sets poorly and wax turns brittle and cracks.",
                            "Warm the room to 20 to 24 °C, day and night, before the first dip.")
                    .from(slowest));
        }
        plan.drying().ifPresent(this::schedule);
        primes();
        if (air.humidity() < Air.FITTED_FROM || air.humidity() > Air.FITTED_TO) {
            found.add(Finding.note(
                            "outside-relation",
                            "climate",
                            say("%.0f %% humidity is outside what the wet-bulb relation was made for.", air.humidity()),
                            "It holds from 5 to 99 %; outside, the hours are a guess.",
                            "Check the hygrometer; weigh the piece to see it dry.")
                    .from(wetBulb));
        }
    }

    /** A prime that dries for too long waits too long for its next coat. */
    private void primes() {
        double latest = factors.value(Drying.PRIME_LATEST);
        plan.layers().stream()
                .filter(l -> l.coat().isPrime() && l.drying().orElseThrow().value() > latest)
                .findFirst()
                .ifPresent(l -> found.add(Finding.stop(
                                "prime-too-slow",
                                "climate",
                                say(
                                        "Coat %d, a prime, dries %.0f h; it should not wait longer than %.0f.",
                                        l.number(), l.drying().orElseThrow().value(), latest),
                                "A prime that stands too long cracks off the wax before the next coat holds it.",
                                "Moving and drier air, or a window into the hollow.")
                        .from(l.drying().orElseThrow())));
    }

    private void strength(Strength s) {
        if (s.bears()) {
            return;
        }
        String much = say(
                "At %s the metal pulls with %.2f MPa; %.2f are allowed.",
                s.worst().name(), s.stress().value(), s.allowed().value());
        if (s.bedded()) {
            found.add(Finding.note(
                            "bed-bears",
                            "shell.bed",
                            much + " The sand bed has to bear it.",
                            "Free-standing it would burst; rammed dry sand holds it from outside.",
                            "Full bed of dry sand, tamped, up to the cup; no damp in it.")
                    .from(s.stress()));
            return;
        }
        boolean wired = q.load().orElseThrow().held().wire();
        double thinnest =
                Strength.thinnest(s.worst(), q.load().orElseThrow().held().density(), wired, factors);
        found.add(Finding.stop(
                        "shell-weak",
                        "shell.recipe",
                        much,
                        "A shell that bursts lets the metal run out.",
                        say(
                                "At least %.1f mm free-standing%s; or a full bed of sand; or less head.",
                                thinnest, wired ? "" : ", or wire"))
                .from(s.stress()));
    }

    private void body(ShellQuestion.Body body) {
        plan.lift().or(plan::wet).ifPresent(l -> {
            double heaviest = Math.max(l.value(), plan.wet().map(Figure::value).orElse(0.0)) / 1000;
            if (body.carried().isPresent() && heaviest > body.carried().getAsDouble()) {
                found.add(Finding.warn(
                                "lift",
                                "shell",
                                say(
                                        "%.0f kg at its heaviest; %.0f are carried here.",
                                        heaviest, body.carried().getAsDouble()),
                                "A wet shell on its hook or a hot one full of metal that slips hurts and is lost.",
                                "Hoist or two people; a hook built in for the wet weight.")
                        .from(l));
            }
        });
        if (body.lowMelting()) {
            found.add(Finding.warn(
                            "swells",
                            "shell.dewax",
                            "There is plastic in the pattern: it swells before it flows.",
                            "It grows inside the shell and cracks it before it can run out.",
                            "Wire, drains at the low points, thin hollow prints with a wax coating; melt it out slowly at"
                                    + " 200 to 260 °C before the fire.")
                    .from(body.wax()));
        }
        if (!q.recipe().wired()
                && plan.strength().isPresent()
                && plan.strength().get().margin() < 1.3
                && plan.strength().get().bears()) {
            Figure margin = Figure.given(
                    "margin",
                    "allowed over what is there",
                    plan.strength().get().margin(),
                    Measure.SCALE,
                    Known.COMPUTED,
                    0);
            found.add(Finding.note(
                            "thin-margin",
                            "shell.recipe",
                            say("It bears %.2f times the metal's pull.", margin.value()),
                            "A pinhole or a thin place takes that much away.",
                            "One more backup, wire, or a bed of sand.")
                    .from(margin));
        }
    }

    /** All coats against the same coats in a kept room. */
    private void schedule(Figure drying) {
        double usual = 0;
        for (int i = 0; i < plan.layers().size(); i++) {
            Drying.Wet wet = new Drying.Wet(plan.layers().get(i).coat(), i, q.aired(), plan.solids());
            usual += Drying.hours(wet, USUAL, factors).map(Figure::value).orElse(0.0);
        }
        if (usual > 0 && drying.value() > MOST_TIMES * usual) {
            found.add(Finding.warn(
                            "long-schedule",
                            "climate",
                            say(
                                    "All coats dry %.1f days; %.1f are usual for them in a kept room.",
                                    drying.value() / 24, usual / 24),
                            "Every day more is a day on which the wax moves and a prime may stand too long.",
                            "A fan at 1 m/s, then drier air; 20 to 24 °C and 45 to 55 % are usual.")
                    .from(drying));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
