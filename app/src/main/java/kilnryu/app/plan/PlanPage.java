package kilnryu.app.plan;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.app.firing.CurveDrawing;
import kilnryu.app.firing.FiringReader.Firing;
import kilnryu.app.mold.BlockDrawing;
import kilnryu.app.mold.SectionDrawing;
import kilnryu.app.mold.WayUp;
import kilnryu.app.shell.ShellDrawing;
import kilnryu.app.tree.OutlineDrawing;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram.Timed;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Clearances;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.TreePlan;

/** A plan as its pages and its card show it. */
public record PlanPage(
        String name,
        List<FigureView> metal,
        List<FigureView> mix,
        List<FigureView> firing,
        List<FindingView> findings,
        List<Ready> ready,
        List<DutyView> duties,
        List<SegmentView> segments,
        String section,
        String curve,
        List<PartView> parts,
        List<CoatView> coats,
        boolean turned,
        Optional<ZonedDateTime> sleepy) {

    /** A line of the make-ready column. */
    public record Ready(String what, Show.Shown amount) {}

    /** A duty at its hour; the number stands on the curve too, 0 for what comes before the kiln. */
    public record DutyView(int number, String at, String day, String what, String caution) {}

    /** A line of the program. */
    public record SegmentView(
            int number,
            String stage,
            String rate,
            String target,
            String hold,
            String ends,
            String ruledBy,
            FigureView sum) {}

    /** A part of the tree on the card. */
    public record PartView(String name, int count, String material, Show.Shown volume) {}

    /** A coat of a shell: what it picks up, and what the piece weighs wet with it. */
    public record CoatView(
            int number,
            String coat,
            String grain,
            Show.Shown area,
            Show.Shown slurry,
            Show.Shown stucco,
            Show.Shown after,
            String drying,
            String wet,
            boolean wire) {}

    /** Which way up the mold stands, stage by stage. */
    public List<WayUp> ways() {
        return coats.isEmpty() ? WayUp.of(turned) : WayUp.ofShell();
    }

    /** The same with the drawings of another where it has none of its own. */
    PlanPage drawnAs(PlanPage other) {
        return new PlanPage(
                name,
                metal,
                mix,
                firing,
                findings,
                ready,
                duties,
                segments,
                section.isEmpty() ? other.section : section,
                curve.isEmpty() ? other.curve : curve,
                parts,
                coats,
                turned,
                sleepy);
    }

    /** The hour of a pour for which nobody has to get up, as a field types it; empty where nobody has to. */
    public String instead() {
        return sleepy.map(
                        p -> p.toLocalDateTime().truncatedTo(ChronoUnit.MINUTES).toString())
                .orElse("");
    }

    public String insteadSays() {
        return sleepy.map(Show::dayAndClock).orElse("");
    }

    /** The drawings of a plan; each is made only for the pages that show it. */
    public enum Drawing {
        TREE,
        SECTION,
        /** The section to be printed, with nothing to take hold of. */
        PRINTED,
        CURVE
    }

    public static PlanPage of(Plan plan, Units units, ZonedDateTime now, Set<Drawing> drawings) {
        return new Maker(plan, units, now, drawings).make();
    }

    private static final class Maker {
        private final Plan plan;
        private final Units units;
        private final ZonedDateTime now;
        private final Optional<BackPlan> clock;
        private final Set<Drawing> drawings;
        private final FigureView.Maker views;

        Maker(Plan plan, Units units, ZonedDateTime now, Set<Drawing> drawings) {
            this.drawings = drawings;
            this.views = new FigureView.Maker(units, plan.precious());
            this.plan = plan;
            this.units = units;
            this.now = now;
            this.clock = plan.firing().flatMap(Firing::clock);
        }

        PlanPage make() {
            return new PlanPage(
                    plan.name(),
                    views(metal()),
                    views(mix()),
                    views(firing()),
                    findings(),
                    ready(),
                    duties(),
                    segments(),
                    drawn(),
                    clock.filter(c -> drawings.contains(Drawing.CURVE))
                            .map(c -> CurveDrawing.of(c, now.getZone(), units))
                            .orElse(""),
                    parts(),
                    coats(),
                    plan.firing().map(f -> f.choices().school().turnsCupUp()).orElse(true),
                    clock.flatMap(BackPlan::instead));
        }

        private String drawn() {
            if (drawings.contains(Drawing.SECTION) || drawings.contains(Drawing.PRINTED)) {
                return section();
            }
            return drawings.contains(Drawing.TREE) ? tree() : "";
        }

        private String tree() {
            return plan.gating()
                    .map(g -> TreeDrawing.still(g.plan(), units))
                    .orElseGet(() ->
                            plan.outline().map(o -> OutlineDrawing.of(o, units)).orElse(""));
        }

        private String section() {
            if (plan.block().isPresent()) {
                return BlockDrawing.of(
                        plan.block().get(),
                        plan.gating().map(g -> g.plan()),
                        plan.outline().orElseThrow(),
                        units);
            }
            if (plan.shell().isPresent()) {
                ShellPlan shell = plan.shell().get().plan();
                return ShellDrawing.of(
                        shell,
                        plan.gating().map(g -> g.plan()),
                        plan.outline().orElseThrow(),
                        units,
                        shell.layers().size());
            }
            return plan.flask().map(this::section).orElse("");
        }

        private String section(FlaskPlan flask) {
            Outline outline = plan.outline().orElseThrow();
            Clearances clearances = plan.clearances().orElseThrow();
            SectionDrawing.Lean lean = new SectionDrawing.Lean(
                    plan.moldExtras().tilt(),
                    plan.moldExtras().lift(),
                    plan.gating().map(g -> g.plan().placing().depth()).orElse(outline.height()));
            Optional<GatingPlan> built = plan.gating().map(g -> g.plan());
            return drawings.contains(Drawing.PRINTED)
                    ? SectionDrawing.still(flask, built, outline, clearances, lean, units)
                    : SectionDrawing.of(flask, built, outline, clearances, lean, units);
        }

        private List<Figure> metal() {
            List<Figure> figures =
                    new ArrayList<>(plan.tree().map(TreePlan::figures).orElse(List.of()));
            plan.weighed().ifPresent(w -> figures.addAll(List.of(w.cavity(), w.charge())));
            return figures;
        }

        private List<Figure> mix() {
            List<Figure> figures = new ArrayList<>();
            plan.flask().map(FlaskPlan::figures).ifPresent(figures::addAll);
            plan.block().map(BlockPlan::figures).ifPresent(figures::addAll);
            plan.shell().map(s -> s.plan().figures()).ifPresent(figures::addAll);
            plan.shell().flatMap(s -> s.bed()).ifPresent(b -> figures.add(b.sand()));
            plan.clearances().ifPresent(c -> figures.addAll(List.of(c.wall(), c.end())));
            return figures;
        }

        private List<Figure> firing() {
            List<Figure> figures = new ArrayList<>();
            plan.firing().filter(f -> !f.program().segments().isEmpty()).ifPresent(f -> {
                figures.add(f.program().total());
                figures.add(f.program().mold());
            });
            plan.pour().ifPresent(figures::add);
            return figures;
        }

        private List<FigureView> views(List<Figure> figures) {
            return figures.stream().map(this::view).toList();
        }

        private FigureView view(Figure figure) {
            return views.of(figure);
        }

        private List<FindingView> findings() {
            List<Finding> all = new ArrayList<>(plan.findings().all());
            plan.gating().ifPresent(g -> {
                all.removeAll(g.findings().all());
                GatingPage.summary(g.findings()).ifPresent(all::add);
            });
            clock.filter(c -> c.at(0).isBefore(now) && c.pour().isAfter(now))
                    .ifPresent(c -> all.add(Finding.warn(
                            "late",
                            "pour",
                            "The kiln should have been closed at " + Show.weekday(c.at(0)) + ", "
                                    + Show.length(Duration.between(c.at(0), now)) + " ago.",
                            "A program cut short leaves water or char in the mold.",
                            "If it is not running, pour later.")));
            return all.stream()
                    .sorted(java.util.Comparator.comparing(Finding::severity))
                    .map(f -> FindingView.of(f, views, 0))
                    .collect(java.util.stream.Collectors.collectingAndThen(
                            java.util.stream.Collectors.toList(), FindingView::grouped));
        }

        private List<Ready> ready() {
            List<Ready> ready = new ArrayList<>();
            plan.flask().ifPresent(f -> {
                ready.add(new Ready("Powder", shown(f.powder())));
                double water = f.flask().water().map(t -> t.celsius()).orElse(21.0);
                Show.Shown at = Show.value(water, Measure.DEGREE_CELSIUS, units, false);
                ready.add(new Ready("Water, " + at, shown(f.water())));
            });
            plan.block().ifPresent(b -> {
                ready.add(new Ready("Fine powder", shown(b.fine().powder())));
                ready.add(new Ready("its water", shown(b.fine().water())));
                ready.add(new Ready("Backup powder", shown(b.backup().powder())));
                ready.add(new Ready("its water", shown(b.backup().water())));
                ready.add(new Ready("Cure, at the least", shown(b.cure())));
            });
            plan.shell().map(s -> s.plan()).ifPresent(s -> {
                ready.add(new Ready("Slurry", shown(s.slurry())));
                ready.add(new Ready("Stucco", shown(s.stucco())));
                s.drying().ifPresent(d -> ready.add(new Ready("Drying, in all", shown(d))));
                s.finalDry().ifPresent(d -> ready.add(new Ready("Then, before fire", shown(d))));
                s.lift().ifPresent(l -> ready.add(new Ready("To lift, poured", shown(l))));
            });
            plan.tree()
                    .ifPresent(t -> ready.add(new Ready(
                            capital(shortened(t.tree().alloy().label())),
                            view(plan.weighed().map(w -> w.charge()).orElse(t.charge()))
                                    .shown())));
            plan.flask().ifPresent(f -> ready.add(new Ready("Filled, without steel", shown(f.filledMass()))));
            plan.firing()
                    .filter(f -> !f.program().segments().isEmpty())
                    .ifPresent(f -> ready.add(
                            new Ready("Kiln program", shown(f.program().total()))));
            return ready;
        }

        private Show.Shown shown(Figure figure) {
            return Show.figure(figure, units);
        }

        private List<DutyView> duties() {
            List<DutyView> views = new ArrayList<>();
            int number = 0;
            for (BackPlan.Clocked c : clock.map(BackPlan::duties).orElse(List.of())) {
                boolean inKiln = c.duty().minute() >= 0;
                number += inKiln ? 1 : 0;
                views.add(new DutyView(
                        inKiln ? number : 0,
                        Show.weekday(c.at()),
                        Show.dayAndClock(c.at()),
                        c.duty().kind().label(),
                        Spoken.in(c.duty().caution(), units)));
            }
            return views;
        }

        private List<SegmentView> segments() {
            List<SegmentView> views = new ArrayList<>();
            for (Timed t : plan.firing().map(f -> f.program().timed()).orElse(List.of())) {
                boolean step = Double.isInfinite(t.segment().rate());
                views.add(new SegmentView(
                        views.size() + 1,
                        t.segment().stage().label(),
                        step
                                ? "step"
                                : Show.value(t.segment().rate(), Measure.KELVIN_PER_HOUR, units, false)
                                        .toString(),
                        Show.value(t.segment().target(), Measure.DEGREE_CELSIUS, units, false)
                                .toString(),
                        t.segment().hold() == 0
                                ? "–"
                                : Show.length(Duration.ofMinutes(t.segment().hold())),
                        clock.map(c -> Show.weekday(c.at(t.ends())))
                                .orElseGet(() -> "+" + Show.length(Duration.ofMinutes(Math.round(t.ends())))),
                        t.segment().ruledBy(),
                        view(t.segment().holdSum())));
            }
            return views;
        }

        private List<CoatView> coats() {
            List<CoatView> views = new ArrayList<>();
            plan.shell()
                    .map(s -> s.plan())
                    .ifPresent(s -> s.layers()
                            .forEach(l -> views.add(new CoatView(
                                    l.number(),
                                    l.coat().label(),
                                    l.coat().grain(),
                                    shown(l.area()),
                                    shown(l.slurry()),
                                    shown(l.stucco()),
                                    shown(l.after()),
                                    l.drying().map(d -> shown(d).toString()).orElse("never"),
                                    s.wetWith(l.number())
                                            .map(w -> Show.value(w, Measure.GRAM, units, false)
                                                    .toString())
                                            .orElse("–"),
                                    s.recipe().wireAfter() == l.number()))));
            return views;
        }

        private List<PartView> parts() {
            List<PartView> views = new ArrayList<>();
            plan.tree().ifPresent(t -> {
                for (int i = 0; i < t.tree().parts().size(); i++) {
                    var part = t.tree().parts().get(i);
                    views.add(new PartView(
                            part.name(),
                            part.count(),
                            part.material().label(),
                            shown(t.partVolumes().get(i))));
                }
            });
            return views;
        }

        private static String shortened(String alloy) {
            return alloy.replaceAll(" (Cu|Al|Sn|Zn) .*", "");
        }

        private static String capital(String words) {
            return Character.toUpperCase(words.charAt(0)) + words.substring(1);
        }
    }
}
