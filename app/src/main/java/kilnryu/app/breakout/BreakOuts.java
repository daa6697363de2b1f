package kilnryu.app.breakout;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.Found;
import kilnryu.app.diagnosis.WhyView;
import kilnryu.app.diagnosis.Whys;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.pour.PouredMolds;
import kilnryu.core.breakout.SizePair;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.piece.Shrinkage;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.Part;
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
                new BreakOutPage.Asked(
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
        if (tree.plan().tree().isEmpty()) {
            return Optional.empty();
        }
        Found measured = new Found();
        String here = "/breakout/" + row.tree();
        before(account, row, group)
                .ifPresent(n -> measured.number(FactKey.PREVIOUS_SAME_PLACE, n, Fact.How.MEASURED, here));
        pair(tree.plan(), course)
                .ifPresent(off -> measured.number(FactKey.SCALE_PAIR_PCT, off, Fact.How.MEASURED, here + "#sizes"));
        course.sizes().stream()
                .flatMapToDouble(s -> s.pair().printOff().stream())
                .average()
                .ifPresent(off -> measured.number(FactKey.PRINT_OFF_PCT, off, Fact.How.MEASURED, here + "#sizes"));
        return Optional.of(whys.of(
                account,
                tree,
                new Whys.Asked(group.title(), group.defects(), course.facts(), course.cause()),
                measured));
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

    /** How many castings a plan makes. */
    static int castings(Plan plan) {
        return plan.tree().stream()
                .flatMap(t -> t.tree().parts().stream())
                .filter(p -> p.role() == Part.Role.PIECE)
                .mapToInt(Part::count)
                .sum();
    }
}
