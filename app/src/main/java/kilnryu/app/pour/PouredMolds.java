package kilnryu.app.pour;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.record.Poured;
import kilnryu.core.melt.MakeUp;
import org.springframework.stereotype.Component;

/** What became of a tree's mold at its pour. */
@Component
public class PouredMolds {
    private final PourStore store;
    private final MetalStore metal;

    private final PourPages pages;

    PouredMolds(PourStore store, PourPages pages, MetalStore metal) {
        this.store = store;
        this.pages = pages;
        this.metal = metal;
    }

    /** Empty where its pour has not begun, or what was frozen of it cannot be read. */
    public Optional<PouredMold> of(long studio, long tree) {
        return store.of(studio, tree).flatMap(row -> of(row, tree));
    }

    /** Name of the pour a tree is planned for and that has not begun; empty where there is none. */
    public Optional<String> planned(long studio, long tree) {
        return store.of(studio, tree).filter(PourStore.Row::planned).map(PourStore.Row::name);
    }

    /** Of what a tree was poured: as it was weighed, else as it was planned; empty where no charge is on record. */
    public Optional<MakeUp> makeUp(Account account, long tree) {
        return store.of(account.studioId(), tree)
                .flatMap(row -> pages.weighed(account, row)
                        .or(() -> PourTaps.poured(row).flatMap(p -> PouredHeats.makeUp(p.after()))));
    }

    private Optional<PouredMold> of(PourStore.Row row, long tree) {
        List<PourStore.Event> events = store.events(row.id());
        Optional<PourCourse> course = PourTaps.course(row, events);
        return course.flatMap(c -> c.cast(tree).map(cast -> mold(row, c, cast, events)));
    }

    private PouredMold mold(PourStore.Row row, PourCourse course, PourCourse.Cast cast, List<PourStore.Event> events) {
        Poured plan = course.plan();
        Optional<Instant> start = cast.start();
        // as it was known then: what was read afterwards says nothing of this mold
        PourCourse then = PourCourse.of(
                plan,
                events.stream()
                        .filter(e -> start.isEmpty() || !e.tappedAt().isAfter(start.get()))
                        .toList());
        Optional<PourCourse.Metal> read = then.metal().filter(m -> !m.how().equals("by eye"));
        return new PouredMold(
                row.id(),
                row.name(),
                row.endedAt() != null,
                plan,
                cast.plan(),
                cast.state().label(),
                cast.state() == PourCourse.State.FULL,
                cast.out(),
                start,
                cast.end(),
                cast.stood(),
                read.isPresent() && start.isPresent() ? then.metalAt(start.get()) : OptionalDouble.empty(),
                read.map(PourCourse.Metal::how).orElse(""),
                cast.gauge().isPresent() ? cast.gauge() : course.trial(),
                cast.hesitated(),
                cast.noVacuum(),
                cast.clean(),
                course.ticked().contains("charge-dry"),
                course.people().getOrDefault("Pot", tappedBy(events, cast.plan().tree())),
                charged(row, plan, cast.plan(), events));
    }

    private static String tappedBy(List<PourStore.Event> events, long tree) {
        return events.stream()
                .filter(e -> e.kind().equals("start") && Long.valueOf(tree).equals(e.tree()))
                .reduce((a, b) -> b)
                .map(PourStore.Event::by)
                .orElse("");
    }

    /** By the molds' planned metal each has its share of what was weighed in; what was poured back is taken off. */
    private OptionalDouble charged(PourStore.Row row, Poured plan, Poured.Mold mold, List<PourStore.Event> events) {
        double in = metal.taken(row.id()).values().stream()
                .mapToDouble(MetalStore.Taken::grams)
                .sum();
        double all = plan.molds().stream().mapToDouble(Poured.Mold::grams).sum();
        if (in <= 0 || all <= 0) {
            return OptionalDouble.empty();
        }
        double back = events.stream()
                .filter(e -> e.kind().equals("rest"))
                .mapToDouble(e -> Double.parseDouble(e.fields().getOrDefault("grams", "0")))
                .sum();
        return OptionalDouble.of(Math.max(0, in - back) * mold.grams() / all);
    }
}
