package kilnryu.app.breakout;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.OnRecord;
import kilnryu.app.diagnosis.WhyView;
import kilnryu.app.diagnosis.Whys;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.pour.PouredMolds;
import kilnryu.app.record.BrokenOut;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.core.breakout.SizePair;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.sum.Figure;
import org.springframework.stereotype.Component;

/** A break-out with all that belongs to it. */
@Component
class BreakOuts {
    private static final int MOST_BEFORE = 100;

    private final BreakOutStore store;
    private final PouredMolds poured;
    private final Whys whys;

    BreakOuts(BreakOutStore store, PouredMolds poured, Whys whys) {
        this.store = store;
        this.poured = poured;
        this.whys = whys;
    }

    Optional<PouredMold> poured(Account account, long tree) {
        return poured.of(account.studioId(), tree);
    }

    Optional<String> planned(Account account, long tree) {
        return poured.planned(account.studioId(), tree);
    }

    Causes table(Account account) {
        return whys.table(account.studioId());
    }

    BreakOutCourse course(BreakOutStore.Row row) {
        return BreakOutCourse.of(row.tiles(), store.events(row.id()));
    }

    BreakOutPage page(
            Account account,
            Plans.Saved tree,
            BreakOutStore.Row row,
            BreakOutCourse course,
            Integer chosen,
            Long photo) {
        Optional<PouredMold> mold = poured(account, row.tree());
        Plan plan = tree.plan();
        return BreakOutPage.of(
                course,
                new BreakOutPage.OpenQuestion(
                        account.units(),
                        plan.precious(),
                        chosen,
                        photo,
                        mold.map(PouredMold::charged).orElse(OptionalDouble.empty()),
                        plan.tree()
                                .map(t -> t.tree()
                                        .meltLossPercent()
                                        .orElse(t.tree()
                                                .alloy()
                                                .family()
                                                .meltLoss()
                                                .value()))
                                .orElse(2.0),
                        row.open()));
    }

    /** Why, for one group of defects; empty where none is pinned or the plan cannot be read. */
    Optional<WhyView> why(
            Account account, Plans.Saved tree, BreakOutStore.Row row, BreakOutCourse course, Groups.Group group) {
        return tree.plan().tree().isEmpty()
                ? Optional.empty()
                : Optional.of(
                        whys.of(account, tree, asked(course, group), measured(account, tree, row, course, group)));
    }

    /** What is on record of it, in words, without a judgement. */
    List<String> facts(
            Account account, Plans.Saved tree, BreakOutStore.Row row, BreakOutCourse course, Groups.Group group) {
        return whys.facts(account, tree, asked(course, group), measured(account, tree, row, course, group));
    }

    private static Whys.WhyQuestion asked(BreakOutCourse course, Groups.Group group) {
        return new Whys.WhyQuestion(group.title(), group.defects(), course.facts(), course.cause());
    }

    private OnRecord measured(
            Account account, Plans.Saved tree, BreakOutStore.Row row, BreakOutCourse course, Groups.Group group) {
        OnRecord measured = new OnRecord();
        String here = "/breakout/" + row.tree();
        before(account, row, group)
                .ifPresent(n -> measured.number(FactKey.PREVIOUS_SAME_PLACE, n, Fact.How.MEASURED, here));
        pair(tree.plan(), course)
                .ifPresent(off -> measured.number(FactKey.SCALE_PAIR_PCT, off, Fact.How.MEASURED, here + "#sizes"));
        course.sizes().stream()
                .flatMapToDouble(s -> s.pair().printOff().stream())
                .average()
                .ifPresent(off -> measured.number(FactKey.PRINT_OFF_PCT, off, Fact.How.MEASURED, here + "#sizes"));
        store.takenOut(row.tree()).ifPresent(o -> {
            // into water at a heat that was reckoned from the pour's taps: as good as its solver
            if (o.how().equals("water") && o.button() != null) {
                measured.number(FactKey.QUENCH_C, o.button(), Fact.How.MEASURED, here + "/cooling");
            }
            measured.word(FactKey.MOVED_EARLY, o.early() ? "yes" : "no", Fact.How.MEASURED, here + "/cooling");
        });
        return measured;
    }

    /** Castings of the same name in other trees that had it at one of these places; empty where nobody said where. */
    private Optional<Integer> before(Account account, BreakOutStore.Row row, Groups.Group group) {
        List<String> names = row.tiles().stream().map(Tile::name).distinct().toList();
        List<BreakOutStore.Before> all = store.before(account.studioId(), row.id(), names, MOST_BEFORE);
        boolean placed = group.defects().stream().anyMatch(d -> !d.places().isEmpty());
        long same = all.stream()
                .filter(b -> group.defects().stream()
                        .anyMatch(d -> d.kind().key().equals(b.kind())
                                && d.places().stream().map(Place::key).anyMatch(b.places()::contains)))
                .map(b -> b.breakOut() + "-" + b.casting())
                .distinct()
                .count();
        return placed && store.hasOthers(account.studioId(), row.id(), names)
                ? Optional.of((int) same)
                : Optional.empty();
    }

    /** Casting to pattern, off what is planned, %; empty where nothing was measured cold. */
    private static OptionalDouble pair(Plan plan, BreakOutCourse course) {
        List<Double> ratios = course.sizes().stream()
                .map(BreakOutCourse.Size::pair)
                .map(SizePair::ratio)
                .filter(OptionalDouble::isPresent)
                .map(OptionalDouble::getAsDouble)
                .toList();
        Optional<Figure> scale = plan.tree()
                .flatMap(t -> Shrinkage.scale(
                        Shrinkage.Origin.WORKED,
                        plan.shell().isPresent()
                                ? Shrinkage.MoldKind.SHELL
                                : plan.block().isPresent() ? Shrinkage.MoldKind.BLOCK : Shrinkage.MoldKind.FLASK,
                        t.tree().alloy(),
                        plan.reading().factors()));
        return ratios.isEmpty() || scale.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of((ratios.stream().collect(Collectors.averagingDouble(r -> r))
                                        * scale.get().value()
                                - 1)
                        * 100);
    }

    /** What is kept of plan and pour for the log. */
    BreakOutStore.Began began(Plans.Saved saved, Optional<PouredMold> mold) {
        Plan plan = saved.plan();
        Optional<PouredMold> cast = mold.filter(m -> m.poured().isPresent());
        String school = plan.fields().get(Stage.FIRING).kept().getOrDefault("school", "");
        return new BreakOutStore.Began(
                cast.map(PouredMold::pour).orElse(null),
                plan.tree().map(t -> t.tree().alloy().key()).orElse(null),
                plan.shell().isPresent() ? "shell" : plan.block().isPresent() ? "block" : "flask",
                school.isEmpty() ? null : school,
                cast.map(PouredMold::by).filter(b -> !b.isEmpty()).orElse(null),
                cast.flatMap(PouredMold::poured).orElse(null),
                plan.weighed()
                        .map(w -> w.cavity().value())
                        .or(() -> plan.tree().map(t -> t.cavityMetal().value()))
                        .orElse(null),
                cast.map(m -> new BreakOutStore.Both(m.mold().fullS() - m.mold().startS(), orNull(m.filled())))
                        .orElse(BreakOutStore.Both.NONE),
                cast.map(m -> new BreakOutStore.Both(
                                m.mold().startS() - m.mold().outS(), orNull(m.stood())))
                        .orElse(BreakOutStore.Both.NONE),
                cast.map(m -> new BreakOutStore.Both(m.mold().metalC(), orNull(m.metal())))
                        .orElse(BreakOutStore.Both.NONE));
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** As it is frozen when it is closed. */
    WorkRecord record(Account account, Plans.Saved tree, BreakOutStore.Row row) {
        BreakOutCourse course = course(row);
        BreakOutPage page = page(account, tree, row, course, null, null);
        return Records.of(
                tree.row().name(),
                List.of(PlanRecord.of(row.tree(), tree.plan())),
                new BrokenOut(
                        row.begunAt()
                                .atZone(account.zoneId())
                                .toOffsetDateTime()
                                .toString(),
                        poured(account, row.tree())
                                .flatMap(PouredMold::poured)
                                .map(p -> p.atZone(account.zoneId())
                                        .toOffsetDateTime()
                                        .toString())
                                .orElse(""),
                        page.verdict().sentence(),
                        course.castings().stream().map(BreakOuts::kept).toList(),
                        masses(page.masses()),
                        page.sizes().stream()
                                .map(s -> new BrokenOut.Size(
                                        s.place(), s.way(), s.pattern(), s.print(), s.cast(), s.wanted(), s.judged()))
                                .toList(),
                        Groups.of(course).all().stream()
                                .flatMap(g -> why(account, tree, row, course, g).stream())
                                .flatMap(w -> w.leading().stream().map(c -> kept(w.title(), c)))
                                .toList(),
                        store.forecasts(row.tree()).stream()
                                .map(f -> new BrokenOut.Foreseen(f.by(), f.good(), f.made(), f.why()))
                                .toList(),
                        page.masses().findings().stream()
                                .map(f -> new WorkRecord.Said(f.severity(), f.message(), f.remedy()))
                                .toList()));
    }

    private static BrokenOut.Casting kept(BreakOutCourse.Casting c) {
        return new BrokenOut.Casting(
                c.tile().number(),
                c.tile().name(),
                c.tile().path(),
                c.first().key(),
                c.verdict().key(),
                c.grams().isPresent() ? c.grams().getAsDouble() : null,
                c.pins().stream()
                        .map(p -> new BrokenOut.Defect(
                                p.kind().key(),
                                p.at().x(),
                                p.at().y(),
                                p.places().stream().sorted().map(Place::key).toList(),
                                p.extent(),
                                p.stage().key(),
                                p.by()))
                        .toList());
    }

    private static List<BrokenOut.Line> masses(BreakOutPage.Masses m) {
        List<BrokenOut.Line> lines = new ArrayList<>();
        lines.add(new BrokenOut.Line("charged for it", m.charged(), ""));
        lines.add(new BrokenOut.Line("tree as cast", m.cast(), ""));
        lines.add(new BrokenOut.Line("castings", m.castings(), ""));
        lines.add(new BrokenOut.Line("gating", m.gating(), ""));
        Stream.of(m.missing(), m.sawn())
                .filter(Objects::nonNull)
                .forEach(f -> lines.add(new BrokenOut.Line(f.name(), f.shown().toString(), f.substituted())));
        return lines;
    }

    private static BrokenOut.Why kept(String of, WhyView.CauseView c) {
        return new BrokenOut.Why(
                of,
                c.name(),
                c.word(),
                c.speaksFor().stream().map(WhyView.Line::words).toList(),
                c.against().stream().map(WhyView.Line::words).toList(),
                c.confirmed());
    }
}
