package kilnryu.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * All causes of a table, ranked (handbook 20). Score of a cause: log of its chance before anything is looked at, plus the log of
 * how likely it makes what is seen, where it is seen, plus what the record says. What is not known adds nothing. A cause that a
 * measured fact rules out stays, last; where another measured fact insists on it, it is not ruled out.
 *
 * @param causes likeliest first
 * @param table version of the table that was asked
 */
public record Diagnosis(List<Ranked> causes, String table) {
    /** A cause that never makes a defect of the case may still stand beside the one that does. */
    private static final double NEVER = 0.03;

    private static final double AT_ITS_PLACE = 2;
    private static final double ELSEWHERE = 0.7;
    private static final double LIKELY = 0.35;
    private static final double POSSIBLE = 0.05;
    /** Without at least so much on record that speaks for it nothing is called likely: alloy and pattern alone do not. */
    private static final double SPEAKS = 0.5;

    private static final int MOST_ASKED = 4;

    /** How likely, in words. */
    public enum Word {
        LIKELY,
        POSSIBLE,
        UNLIKELY,
        RULED_OUT;

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }

        public String words() {
            return key().replace('-', ' ');
        }
    }

    /**
     * What the record says.
     *
     * @param about what it was read from
     */
    public record Evidence(String words, Set<FactKey> about) {}

    /**
     * A cause in its place.
     *
     * @param rank from 1
     * @param share of all that could have been, 0 to 1; 0 where ruled out
     */
    public record Ranked(
            Cause cause,
            int rank,
            Word word,
            double score,
            double share,
            List<Evidence> speaksFor,
            List<Evidence> against,
            List<FactKey> unknown) {
        public boolean isRuledOut() {
            return word == Word.RULED_OUT;
        }
    }

    /** @param separates ids of the causes between which it decides */
    public record Ask(FactKey fact, List<String> separates) {}

    public static Diagnosis of(Case asked, Causes table) {
        Facts known = asked.known();
        List<Weighed> all = table.all().stream()
                .map(c -> Weighed.of(c, asked, known, table))
                .sorted(Comparator.comparing(Weighed::out)
                        .thenComparing(
                                Comparator.comparingDouble(Weighed::score).reversed()))
                .toList();
        double top = all.get(0).score;
        double sum = all.stream()
                .filter(w -> !w.out)
                .mapToDouble(w -> Math.exp(w.score - top))
                .sum();
        List<Ranked> ranked = new ArrayList<>();
        for (Weighed w : all) {
            double share = w.out ? 0 : Math.exp(w.score - top) / sum;
            ranked.add(new Ranked(
                    w.cause, ranked.size() + 1, word(w, share), w.score, share, w.speaksFor, w.against, w.unknown));
        }
        return new Diagnosis(List.copyOf(ranked), table.version());
    }

    private static Word word(Weighed w, double share) {
        if (w.out) {
            return Word.RULED_OUT;
        }
        if (!w.makes || share < POSSIBLE) {
            return Word.UNLIKELY;
        }
        return share >= LIKELY && w.support >= SPEAKS ? Word.LIKELY : Word.POSSIBLE;
    }

    public Ranked first() {
        return causes.get(0);
    }

    /**
     * Facts not known that would tell the first two causes apart, cheapest first: a look before a measurement before a search in
     * the record before a cut.
     */
    public List<Ask> asks() {
        if (causes.size() < 2 || causes.get(1).isRuledOut()) {
            return List.of();
        }
        Map<FactKey, Double> apart = new EnumMap<>(FactKey.class);
        Map<FactKey, List<String>> of = new LinkedHashMap<>();
        for (Ranked r : causes.subList(0, 2)) {
            for (FactKey key : r.unknown) {
                double sign = r.rank == 1 ? 1 : -1;
                apart.merge(key, sign * moves(r.cause, key), Double::sum);
                of.computeIfAbsent(key, k -> new ArrayList<>()).add(r.cause.id());
            }
        }
        return apart.entrySet().stream()
                .filter(e -> Math.abs(e.getValue()) > 0.1 && !e.getKey().isPlan())
                .sorted(Comparator.<Map.Entry<FactKey, Double>, FactKey.Cost>comparing(
                                e -> e.getKey().cost())
                        .thenComparing(e -> -Math.abs(e.getValue())))
                .limit(MOST_ASKED)
                .map(e -> new Ask(e.getKey(), List.copyOf(of.get(e.getKey()))))
                .toList();
    }

    /** By how much knowing it could move a cause. */
    private static double moves(Cause cause, FactKey key) {
        return cause.clues().stream()
                .filter(c -> c.when().keys().contains(key))
                .mapToDouble(Clue::weight)
                .sum();
    }

    /** A cause with what speaks for and against it. */
    private record Weighed(
            Cause cause,
            boolean out,
            boolean makes,
            double score,
            double support,
            List<Evidence> speaksFor,
            List<Evidence> against,
            List<FactKey> unknown) {

        static Weighed of(Cause cause, Case asked, Facts known, Causes table) {
            double score = Math.log(table.chance(cause));
            boolean makes = false;
            for (Defect d : asked.defects()) {
                score += Math.log(likely(cause, d));
                makes |= cause.makes().containsKey(d.kind());
            }
            double support = 0;
            List<Evidence> speaksFor = new ArrayList<>();
            List<Evidence> against = new ArrayList<>();
            Set<FactKey> unknown = EnumSet.noneOf(FactKey.class);
            boolean out = false;
            for (Clue clue : cause.clues()) {
                double adds = clue.adds(known);
                score += adds;
                support += clue.isOfRecord() ? Math.max(0, adds) : 0;
                out |= clue.rulesOut(known);
                if (adds != 0) {
                    (adds > 0 ? speaksFor : against)
                            .add(new Evidence(
                                    clue.when().said(known), clue.when().keys()));
                }
                if (clue.when().in(known) == Condition.Truth.UNKNOWN) {
                    unknown.addAll(clue.when().missing(known));
                }
            }
            unknown.removeIf(k -> !k.isAsked());
            placed(cause, asked).ifPresent(speaksFor::add);
            boolean insisted = cause.clues().stream().anyMatch(c -> c.insists(known));
            return new Weighed(
                    cause,
                    out && !insisted,
                    makes,
                    score,
                    support,
                    List.copyOf(speaksFor),
                    distinct(against),
                    List.copyOf(unknown));
        }

        private static List<Evidence> distinct(List<Evidence> all) {
            Map<String, Evidence> once = new LinkedHashMap<>();
            all.forEach(e -> once.putIfAbsent(e.words(), e));
            return List.copyOf(once.values());
        }

        /** How likely it makes this defect at these places. */
        private static double likely(Cause cause, Defect d) {
            Integer makes = cause.makes().get(d.kind());
            if (makes == null) {
                return NEVER;
            }
            boolean known = !d.places().isEmpty() && !cause.prefers().isEmpty();
            boolean there = d.places().stream().anyMatch(cause.prefers()::contains);
            return makes * (known ? there ? AT_ITS_PLACE : ELSEWHERE : 1);
        }

        private static java.util.Optional<Evidence> placed(Cause cause, Case asked) {
            List<String> there = asked.defects().stream()
                    .filter(d -> cause.makes().containsKey(d.kind()))
                    .flatMap(d -> d.places().stream()
                            .filter(cause.prefers()::contains)
                            .sorted()
                            .map(p -> d.kind().label() + " " + p.label()))
                    .distinct()
                    .toList();
            return there.isEmpty()
                    ? java.util.Optional.empty()
                    : java.util.Optional.of(
                            new Evidence("where it likes to be: " + String.join(", ", there), Set.of()));
        }
    }
}
