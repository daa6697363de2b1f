package kilnryu.app.diagnosis;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.firing.FiringReader;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.shell.ShellReader;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.Stage;
import kilnryu.core.diagnosis.Fact.How;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.gating.FillMargin;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Placing.Single;
import kilnryu.core.gating.Use;
import kilnryu.core.sum.Figure;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What a tree's plan says of itself: nothing of it was measured. */
@Component
@Order(90)
class PlanFacts implements FactSource {
    @Override
    public void tell(Account account, Plans.Saved tree, OnRecord found) {
        Plan plan = tree.plan();
        String base = "/trees/" + tree.row().id();
        plan.gating().ifPresent(g -> gating(g.plan(), found, base + "/gating"));
        plan.flask()
                .ifPresent(
                        f -> found.number(FactKey.WATER_PER_100, f.waterPer100().value(), How.PLANNED, base + "/mold"));
        plan.shell().ifPresent(s -> shell(s, found, base + "/mold"));
        plan.firing().ifPresent(f -> firing(f, found, base + "/firing"));
        plan.pour().ifPresent(p -> found.number(FactKey.METAL_PLANNED_C, p.value(), How.PLANNED, base + "/firing"));
        system(plan, found, base + "/mold");
    }

    private static void gating(GatingPlan plan, OnRecord found, String page) {
        List<Member> vents = plan.assembly().of(Use.VENT);
        boolean rejoins = has(plan, "vent-rejoins.");
        found.word(
                FactKey.VENTS,
                vents.isEmpty() && plan.assembly().of(Use.STUB).isEmpty() ? "none" : rejoins ? "to-cup" : "open",
                How.PLANNED,
                page);
        found.word(FactKey.THICK_THIN_THICK, has(plan, "thick-thin-thick.") ? "yes" : "no", How.PLANNED, page);
        plan.figures().stream()
                .filter(f -> f.symbol().equals("head"))
                .findFirst()
                .ifPresent(f -> found.number(FactKey.HEAD_MM, f.value(), How.PLANNED, page));
        ratio(plan).ifPresent(r -> found.number(FactKey.FEEDER_MODULUS_RATIO, r, How.PLANNED, page));
        found.word(
                FactKey.MODULUS_RISES,
                has(plan, "unfed") || has(plan, "feeder-modulus") || has(plan, "neck.") ? "no" : "yes",
                How.PLANNED,
                page);
        FillMargin.of(plan).thinnest().ifPresent(w -> found.number(FactKey.WALL_MM, w, How.PLANNED, page));
        cores(plan, found, page);
        found.word(FactKey.FILL_WAY, fromBelow(plan) ? "bottom" : "top", How.PLANNED, page);
    }

    private static boolean has(GatingPlan plan, String id) {
        return plan.findings().all().stream().anyMatch(f -> f.id().startsWith(id));
    }

    /** Of the worst fed piece; empty where no piece has a feeder. */
    private static OptionalDouble ratio(GatingPlan plan) {
        return plan.assembly().of(Use.FEEDER).stream()
                .flatMap(f -> plan.assembly().parentOf(f).stream()
                        .filter(p -> p.use() == Use.PIECE)
                        .map(p -> modulus(plan, f) / modulus(plan, p)))
                .mapToDouble(r -> r)
                .filter(Double::isFinite)
                .min();
    }

    private static double modulus(GatingPlan plan, Member member) {
        Figure m = plan.moduli().get(member.key());
        return m == null ? Double.NaN : m.value();
    }

    private static void cores(GatingPlan plan, OnRecord found, String page) {
        List<Form.Core> cores = plan.assembly().of(Use.PIECE).stream()
                .flatMap(p -> p.form() instanceof Form.Body b ? b.core().stream() : java.util.stream.Stream.empty())
                .toList();
        found.word(FactKey.CORE, cores.isEmpty() ? "no" : "yes", How.PLANNED, page);
        cores.stream().mapToInt(Form.Core::pins).min().ifPresent(n -> found.number(FactKey.PINS, n, How.PLANNED, page));
        cores.stream()
                .filter(c -> c.diameter() > 0)
                .mapToDouble(c -> c.length() / c.diameter())
                .max()
                .ifPresent(s -> found.number(FactKey.CORE_SLENDERNESS, s, How.PLANNED, page));
    }

    /** Whether most pieces take their metal in the lower half of their height. */
    private static boolean fromBelow(GatingPlan plan) {
        List<Single> pieces = plan.placing().singles().stream()
                .filter(s -> s.member().use() == Use.PIECE)
                .toList();
        long low = pieces.stream().filter(s -> s.root().z() < s.middle().z()).count();
        return !pieces.isEmpty() && low * 2 > pieces.size();
    }

    private static void shell(ShellReader.Built built, OnRecord found, String page) {
        double wall = built.plan().thickness().value();
        found.number(FactKey.SHELL_MM, wall, How.PLANNED, page);
        built.plan()
                .strength()
                .ifPresent(s -> found.number(
                        FactKey.SHELL_NEEDED_MM,
                        wall * s.stress().value() / s.allowed().value(),
                        How.PLANNED,
                        page));
        found.word(FactKey.WIRE, built.plan().wire().isPresent() ? "yes" : "no", How.PLANNED, page);
        found.word(
                FactKey.DEWAX,
                switch (built.dewax().method()) {
                    case FLASH -> "flash";
                    case AUTOCLAVE -> "autoclave";
                    case STEAM -> "steam";
                    default -> "slow";
                },
                How.PLANNED,
                page);
    }

    private static void firing(FiringReader.Firing firing, OnRecord found, String page) {
        List<Segment> segments = firing.program().segments();
        segments.stream()
                .filter(s -> s.stage() == Stage.BURN_OUT || s.stage() == Stage.FIRE)
                .mapToDouble(Segment::hold)
                .max()
                .ifPresent(m -> found.number(FactKey.SOAK_H, m / 60, How.PLANNED, page));
        segments.stream().mapToDouble(Segment::target).max().ifPresent(c -> {
            found.number(FactKey.SOAK_C, c, How.PLANNED, page);
            found.number(FactKey.MOLD_MAX_C, c, How.PLANNED, page);
        });
    }

    /** What the investment of the plan is made of, where it is a tabled one. */
    private static void system(Plan plan, OnRecord found, String page) {
        plan.flask()
                .flatMap(f -> kilnryu.core.material.InvestmentSystem.named(
                        plan.fields().get(kilnryu.app.plan.Stage.MOLD).kept().getOrDefault("system", "")))
                .filter(s -> s.hemihydratePercent() > 0)
                .ifPresent(s -> found.number(FactKey.REFRACTORY_PCT, 100 - s.hemihydratePercent(), How.DEFAULT, page));
    }
}
