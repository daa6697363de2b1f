package kilnryu.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.rubber.RubberQuestionReader;
import kilnryu.app.wax.SlushQuestionReader;
import kilnryu.app.web.Answer;
import kilnryu.core.finding.Findings;
import kilnryu.core.rubber.Cure;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Slush;

/** Answers of a slushed wall and of a mold of rubber. */
record WaxAnswers(Map<String, Object> figures, List<Answer.Sum> sums, List<Answer.Check> findings) {
    record Mixed(double base_g, double hardener_g) {}

    /** Where nothing freezes the coefficient is 0 and no layer is there. */
    static WaxAnswers of(SlushQuestionReader.SlushRequest asked) {
        Slush slush = Slush.of(asked.question(), asked.factors());
        Map<String, Object> figures = new LinkedHashMap<>();
        Map<String, Figure> sums = new LinkedHashMap<>();
        figures.put(
                "coefficient_mm_per_root_s",
                slush.coefficient().map(Figure::value).orElse(0.0));
        figures.put(
                "dwell_s", slush.layers().stream().map(l -> l.dwell().value()).toList());
        figures.put("wall_mm", slush.layers().stream().map(Slush.Layer::to).toList());
        slush.coefficient().ifPresent(f -> sums.put("coefficient", f));
        List<Slush.Layer> layers = slush.layers();
        for (int i = 0; i < layers.size(); i++) {
            sums.put("dwell." + (i + 1), layers.get(i).dwell());
        }
        slush.wax().ifPresent(w -> {
            figures.put("wax_g", w.value());
            sums.put("wax", w);
        });
        return made(figures, sums, slush.findings());
    }

    static WaxAnswers of(RubberQuestionReader.RubberRequest asked) {
        RubberMold mold = RubberMold.of(asked.question(), asked.factors());
        Cure cure = asked.cure();
        Map<String, Figure> sums = new LinkedHashMap<>();
        Map<String, Object> figures = new LinkedHashMap<>();
        put(figures, sums, "rubber_g", mold.rubber());
        mold.base().ifPresent(b -> put(figures, sums, "base_g", b));
        mold.hardener().ifPresent(h -> put(figures, sums, "hardener_g", h));
        List<Mixed> coats = new ArrayList<>();
        for (RubberMold.Coat c : mold.coats()) {
            if (c.base().isPresent() && c.hardener().isPresent()) {
                coats.add(new Mixed(c.base().get().value(), c.hardener().get().value()));
            }
        }
        figures.put("coats", coats);
        put(figures, sums, "pot_life_min", cure.potLife());
        put(figures, sums, "cure_h", cure.cured());
        mold.jacket().ifPresent(j -> put(figures, sums, "jacket_g", j));
        return made(figures, sums, mold.findings());
    }

    private static void put(Map<String, Object> figures, Map<String, Figure> sums, String key, Figure figure) {
        figures.put(key, figure.value());
        sums.put(key, figure);
    }

    private static WaxAnswers made(Map<String, Object> figures, Map<String, Figure> sums, Findings findings) {
        Answer answer = Answer.of(sums, findings);
        return new WaxAnswers(figures, answer.sums(), answer.findings());
    }
}
