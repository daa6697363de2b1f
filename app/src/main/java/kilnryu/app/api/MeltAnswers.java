package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.freezing.FreezeQuestionReader;
import kilnryu.app.melt.MeltQuestionReader;
import kilnryu.app.web.Answer;
import kilnryu.core.finding.Findings;
import kilnryu.core.gating.SectionFreezing;
import kilnryu.core.material.HeatChecks;
import kilnryu.core.material.Section;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.ChargeQuestion;
import kilnryu.core.melt.Charging;
import kilnryu.core.melt.MeltPlan;
import kilnryu.core.pour.CarryWindow;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Answers of a charge, a melt, a carried mold and a section that freezes. */
record MeltAnswers(Map<String, Object> figures, List<Answer.Sum> sums, List<Answer.Check> findings) {
    record Weighed(String name, double mass_g) {}

    record Moment(double s, double cavity_C, double outside_C) {}

    record Bought(String element, double mass_g) {}

    /** @throws Impossible when the store does not give it: with what cannot be met together and what to buy */
    static MeltAnswers of(ChargeQuestion q) {
        Charging charging = Charging.of(q);
        if (charging.charge().isEmpty()) {
            throw noCharge(charging);
        }
        Charge charge = charging.charge().get();
        List<Weighed> weighed = new ArrayList<>();
        for (int i = 0; i < q.stock().size(); i++) {
            weighed.add(new Weighed(q.stock().get(i).name(), charge.grams().get(i)));
        }
        Map<String, Double> after = new LinkedHashMap<>();
        Map<String, Figure> sums = new LinkedHashMap<>();
        charge.after().forEach((e, f) -> {
            after.put(e.symbol(), f.value());
            sums.put("after." + e.symbol(), f);
        });
        Figure melt = charge.melt();
        Figure returns = charge.returns();
        sums.put("melt", melt);
        sums.put("returns", returns);
        Map<String, Object> figures = new LinkedHashMap<>();
        figures.put("charge", weighed);
        figures.put("melt_g", melt.value());
        figures.put("composition_after", after);
        figures.put("cost", charge.cost());
        figures.put("returns_pct", returns.value());
        return made(figures, sums, charge.findings());
    }

    private static Impossible noCharge(Charging charging) {
        return new Impossible(
                Map.of(
                        "stock",
                        "The store does not give this charge: " + String.join(", ", charging.conflict())
                                + " cannot be met together."),
                Map.of(
                        "conflict",
                        charging.conflict(),
                        "buy",
                        charging.buy().entrySet().stream()
                                .map(e -> new Bought(e.getKey().symbol(), e.getValue()))
                                .toList()));
    }

    static MeltAnswers of(MeltQuestionReader.MeltRequest asked) {
        MeltPlan melt = MeltPlan.of(asked.question(), asked.factors());
        Map<String, Object> figures = new LinkedHashMap<>();
        figures.put("tap_C", melt.tap().value());
        figures.put("heat_kJ", melt.heat().value());
        figures.put("melt_min", melt.minutes().value());
        figures.put("heats", melt.heats());
        figures.put("melt_volume_cm3", melt.volume().value());
        figures.put("fill_pct", melt.fill().map(Figure::value).orElse(null));
        figures.put("energy_kWh", melt.energy().value());
        Map<String, Figure> sums = new LinkedHashMap<>();
        List.of(melt.tap(), melt.heat(), melt.minutes(), melt.volume(), melt.energy())
                .forEach(f -> sums.put(f.symbol(), f));
        melt.fill().ifPresent(f -> sums.put("fill", f));
        Figure pour =
                Figure.given("pour_C", "poured at", asked.question().pour(), Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
        HeatChecks.Pour poured = new HeatChecks.Pour(
                asked.question().alloy(), Section.MEDIUM, false, Optional.of(pour), Optional.empty());
        return made(figures, sums, melt.findings().and(HeatChecks.check(poured, asked.factors())));
    }

    /** Null where it stays over its limit for as long as is looked at. */
    static MeltAnswers of(CarryWindow.Question q) {
        CarryWindow window = CarryWindow.of(q);
        Map<String, Object> figures = new LinkedHashMap<>();
        figures.put("window_s", window.seconds().isPresent() ? window.seconds().getAsDouble() : null);
        figures.put(
                "trace",
                window.course().stream()
                        .map(m -> new Moment(m.second(), m.cavity(), m.outside()))
                        .toList());
        Map<String, Figure> sums = new LinkedHashMap<>();
        window.seconds()
                .ifPresent(
                        s -> sums.put(
                                "window",
                                Figure.simulated(
                                        "window",
                                        "until the cavity is under its limit",
                                        s,
                                        Measure.SECONDS,
                                        "handbook 10: followed through the wall until the outermost face of its cavity is under the limit")));
        return made(figures, sums, Findings.NONE);
    }

    /** Null for what never happens there; a finding says why. */
    static MeltAnswers of(FreezeQuestionReader.FreezeRequest asked) {
        SectionFreezing freezing = SectionFreezing.of(asked.question(), asked.factors());
        Map<String, Object> figures = new LinkedHashMap<>();
        Map<String, Figure> sums = new LinkedHashMap<>();
        seconds(figures, sums, "below_liquidus_s", freezing.cooled());
        seconds(figures, sums, "centre_solid_s", freezing.middle());
        seconds(figures, sums, "face_solid_s", freezing.face());
        return made(figures, sums, freezing.findings());
    }

    private static void seconds(
            Map<String, Object> figures, Map<String, Figure> sums, String key, Optional<Figure> figure) {
        figures.put(key, figure.map(Figure::value).orElse(null));
        figure.ifPresent(f -> sums.put(f.symbol(), f));
    }

    private static MeltAnswers made(Map<String, Object> figures, Map<String, Figure> sums, Findings findings) {
        Answer answer = Answer.of(sums, findings);
        return new MeltAnswers(figures, answer.sums(), answer.findings());
    }
}
