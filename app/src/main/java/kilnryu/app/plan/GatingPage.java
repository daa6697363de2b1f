package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kilnryu.app.sheet.Fields;
import kilnryu.app.tree.GatingFields;
import kilnryu.app.tree.GatingReader;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import kilnryu.core.gating.Member;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.stock.CuttingList;
import kilnryu.core.stock.RodSums;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;

/**
 * What the builder shows beside its table.
 *
 * @param drawing empty until the tree is built
 * @param metal volume, metal and charge
 * @param mended findings of the saved tree that are gone
 * @param added findings that the saved tree does not have
 * @param summaries one line for each member, by key
 * @param sticks what to cut, by diameter
 * @param offers members that findings ask for
 * @param judged whether nothing was missing that it is judged by
 */
public record GatingPage(
        String drawing,
        List<FigureView> figures,
        List<FigureView> metal,
        List<FindingView> findings,
        List<String> mended,
        List<String> added,
        Map<String, String> summaries,
        List<Sticks> sticks,
        List<Offer> offers,
        boolean judged) {
    private static final double USUAL_STICK = 300;
    private static final double SAW = 1;

    /** Rods of one diameter and material: sticks to take, with what is cut from each, and wax for them. */
    public record Sticks(String what, int count, String cuts, String left, FigureView wax, String proof) {}

    /** A member that a finding asks for, to be set with one press. */
    public record Offer(String label, String use, String on) {}

    public static GatingPage of(Plan plan, Optional<Plan> saved, Units units, Factors factors) {
        return new Maker(plan, saved, units, factors).make();
    }

    private static final class Maker {
        private final Plan plan;
        private final Optional<Plan> saved;
        private final Units units;
        private final Factors factors;
        private final Fields fields;
        private final FigureView.Maker views;

        Maker(Plan plan, Optional<Plan> saved, Units units, Factors factors) {
            this.plan = plan;
            this.saved = saved;
            this.units = units;
            this.factors = factors;
            fields = plan.fields().get(Stage.TREE);
            views = new FigureView.Maker(units, plan.precious());
        }

        GatingPage make() {
            List<Finding> pinned = plan.gating().map(g -> g.findings().all()).orElse(List.of());
            List<Finding> before =
                    saved.flatMap(Plan::gating).map(g -> g.findings().all()).orElse(List.of());
            boolean compares =
                    saved.flatMap(Plan::gating).isPresent() && plan.gating().isPresent();
            return new GatingPage(
                    plan.gating()
                            .map(g -> TreeDrawing.of(g.plan(), pinned, lengthFields(), units))
                            .orElse(""),
                    plan.gating().map(g -> g.plan().figures()).orElse(List.of()).stream()
                            .map(views::of)
                            .toList(),
                    metal(),
                    numbered(pinned),
                    compares ? without(before, pinned) : List.of(),
                    compares ? without(pinned, before) : List.of(),
                    summaries(),
                    sticks(),
                    offers(pinned),
                    plan.judged().whole("gating"));
        }

        /** Volume, metal and charge, by the scale where the tree was weighed; the other sums stand on the Tree page. */
        private List<FigureView> metal() {
            List<Figure> metal = new ArrayList<>();
            plan.tree().ifPresent(t -> {
                metal.add(t.treeVolume());
                metal.add(plan.weighed().map(w -> w.cavity()).orElse(t.cavityMetal()));
                metal.add(plan.weighed().map(w -> w.charge()).orElse(t.charge()));
            });
            return metal.stream().map(views::of).toList();
        }

        private List<FindingView> numbered(List<Finding> findings) {
            List<FindingView> numbered = new ArrayList<>();
            for (Finding f : findings) {
                numbered.add(FindingView.of(f, views, numbered.size() + 1));
            }
            return FindingView.grouped(numbered);
        }

        private List<Offer> offers(List<Finding> findings) {
            List<Offer> offers = new ArrayList<>();
            for (Finding f : findings) {
                boolean high = f.id().startsWith("high-point.");
                if (high || f.id().startsWith("low-pocket.")) {
                    String on = f.place().substring("member.".length());
                    String name = plan.gating()
                            .flatMap(g -> g.plan().assembly().named(on))
                            .map(Member::name)
                            .orElse("it");
                    offers.add(new Offer(
                            (high ? "Set a vent on " : "Set a drain on ") + name, high ? "vent" : "drain", on));
                }
            }
            return offers;
        }

        /** Findings of the one that the other has not, or has less severely. */
        private List<String> without(List<Finding> of, List<Finding> other) {
            Map<String, Finding> there = new HashMap<>();
            other.forEach(f -> there.put(f.id(), f));
            return of.stream()
                    .filter(f -> !there.containsKey(f.id())
                            || there.get(f.id()).severity().compareTo(f.severity()) > 0)
                    .map(Finding::message)
                    .toList();
        }

        /** Which field holds a member's length, by its key. */
        private Map<String, String> lengthFields() {
            Map<String, String> lengths = new HashMap<>();
            List<String> keys = fields.keys("parts");
            List<Part> parts = plan.tree().orElseThrow().tree().parts();
            for (int i = 0; i < keys.size(); i++) {
                Amount amount = parts.get(i).amount();
                lengths.put(
                        keys.get(i),
                        amount instanceof Amount.Rod
                                ? "rod.length_mm"
                                : amount instanceof Amount.Cone
                                        ? "cone.length_mm"
                                        : amount instanceof Amount.Bar ? "bar.length_mm" : "box.length_mm");
            }
            return lengths;
        }

        private Map<String, String> summaries() {
            Map<String, String> summaries = new LinkedHashMap<>();
            plan.gating().ifPresent(g -> {
                for (Member m : g.plan().assembly().fromRoot()) {
                    summaries.put(m.key(), summary(g, m));
                }
            });
            return summaries;
        }

        private String summary(GatingReader.Built built, Member member) {
            Figure modulus = built.plan().moduli().get(member.key());
            String on = member.joint()
                    .flatMap(j -> built.plan()
                            .assembly()
                            .named(j.to())
                            .map(p ->
                                    " on " + p.name() + " at " + Show.value(j.at(), Measure.MILLIMETRE, units, false)))
                    .orElse(", stands alone");
            return String.format(
                    Locale.ROOT,
                    "%s%s%s, modulus %s",
                    member.count() > 1 ? member.count() + " × " : "",
                    member.use().label(),
                    on,
                    shown(modulus.value()));
        }

        private List<Sticks> sticks() {
            if (plan.tree().isEmpty()) {
                return List.of();
            }
            double stick = fields.quantity(GatingFields.STICK).orElse(USUAL_STICK);
            Map<Double, List<Part>> rods = plan.tree().get().tree().parts().stream()
                    .filter(p ->
                            p.amount() instanceof Amount.Rod && p.material().family() == PatternMaterial.Family.WAX)
                    .collect(Collectors.groupingBy(
                            p -> ((Amount.Rod) p.amount()).diameter().millimetres(),
                            TreeMap::new,
                            Collectors.toList()));
            List<Sticks> sticks = new ArrayList<>();
            rods.forEach((diameter, parts) -> sticks.add(cut(diameter, parts, stick)));
            return sticks;
        }

        private Sticks cut(double diameter, List<Part> parts, double stick) {
            List<Double> lengths = new ArrayList<>();
            for (Part p : parts) {
                double length = ((Amount.Rod) p.amount()).length().millimetres();
                for (int i = 0; i < Math.min(p.count(), 2000); i++) {
                    for (double left = length; left > 1e-6; left -= stick) {
                        lengths.add(Math.min(left, stick));
                    }
                }
            }
            CuttingList list = CuttingList.of(lengths, stick, SAW);
            double total = lengths.stream().mapToDouble(l -> l).sum();
            Figure wax = RodSums.mass(
                    Length.millimetres(total),
                    Length.millimetres(diameter),
                    parts.get(0).material(),
                    0,
                    factors);
            return new Sticks(
                    "Rod " + shown(diameter),
                    list.sticks().size(),
                    cuts(list),
                    shown(list.waste()),
                    views.of(wax),
                    list.proven() ? "no list needs fewer" : "at least " + list.least() + " are needed");
        }

        private String cuts(CuttingList list) {
            Map<String, Long> alike = list.sticks().stream()
                    .map(s -> s.stream().map(this::plain).collect(Collectors.joining(" + ")))
                    .collect(Collectors.groupingBy(s -> s, LinkedHashMap::new, Collectors.counting()));
            return alike.entrySet().stream()
                    .map(e -> (e.getValue() > 1 ? e.getValue() + " × " : "") + "(" + e.getKey() + ")")
                    .collect(Collectors.joining(", "));
        }

        private String plain(double mm) {
            return Show.exact(mm);
        }

        private String shown(double mm) {
            return Show.value(mm, Measure.MILLIMETRE, units, false).toString();
        }
    }

    /** The same with the drawing of another where it has none of its own. */
    GatingPage drawnAs(GatingPage other) {
        return new GatingPage(
                drawing.isEmpty() ? other.drawing : drawing,
                figures,
                metal,
                findings,
                mended,
                added,
                summaries,
                sticks,
                offers,
                judged);
    }

    /** All that stands against the gating as one line for the other pages; empty when nothing grave does. */
    static Optional<Finding> summary(Findings findings) {
        long stops = findings.stops().size();
        long warnings = findings.all().stream()
                .filter(f -> f.severity() == Severity.WARN)
                .count();
        if (stops + warnings == 0) {
            return Optional.empty();
        }
        String message = "The gating has " + (stops > 0 ? counted(stops, "stop") + " and " : "")
                + counted(warnings, "warning") + ".";
        String reason = "They stand at their place in the drawing.";
        String remedy = "Look at the Gating page.";
        return Optional.of(
                stops > 0
                        ? Finding.stop("gating", "gating", message, reason, remedy)
                        : Finding.warn("gating", "gating", message, reason, remedy));
    }

    private static String counted(long count, String word) {
        return count + " " + word + (count == 1 ? "" : "s");
    }

    /** How many findings of each kind, in words. */
    public String tally() {
        List<String> words = new ArrayList<>();
        for (String severity : List.of("stop", "warn", "note")) {
            long count = findings.stream()
                    .filter(f -> f.severity().equals(severity))
                    .mapToLong(f -> 1 + f.also().size())
                    .sum();
            if (count > 0) {
                words.add(counted(count, severity.equals("warn") ? "warning" : severity));
            }
        }
        return words.isEmpty() ? (judged ? "No problems found" : "Not yet judged") : String.join(" · ", words);
    }
}
