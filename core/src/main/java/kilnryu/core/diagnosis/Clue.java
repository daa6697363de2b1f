package kilnryu.core.diagnosis;

/**
 * What the record may say of a cause.
 *
 * @param weight log of how many times likelier the cause makes it, when measured; not used where it rules out
 */
public record Clue(Speaks speaks, double weight, Condition when) {
    /** For it, against it, or so that it cannot have been. */
    public enum Speaks {
        FOR,
        AGAINST,
        /** Only where what was found was measured; planned it speaks against. */
        RULES_OUT
    }

    public static final double MOST = 5;
    /** What would rule out, were it measured. */
    private static final double ALMOST = 2;

    private static final double INSISTS = 2.5;

    public Clue {
        if (!(weight >= 0 && weight <= MOST)) {
            throw new IllegalArgumentException("a clue weighs 0 to " + MOST);
        }
    }

    public static Clue speaksFor(double weight, String when) {
        return new Clue(Speaks.FOR, weight, Condition.of(when));
    }

    public static Clue against(double weight, String when) {
        return new Clue(Speaks.AGAINST, weight, Condition.of(when));
    }

    public static Clue rulesOut(String when) {
        return new Clue(Speaks.RULES_OUT, ALMOST, Condition.of(when));
    }

    boolean rulesOut(Facts facts) {
        return speaks == Speaks.RULES_OUT && when.in(facts) == Condition.Truth.YES && when.measured(facts);
    }

    /** So plainly for it that nothing else on record rules it out: the two do not agree, and the caster has to look. */
    boolean insists(Facts facts) {
        return speaks == Speaks.FOR
                && weight >= INSISTS
                && when.in(facts) == Condition.Truth.YES
                && when.measured(facts);
    }

    /** Whether it asks of what happened, and not only of what was asked for. */
    boolean isOfRecord() {
        return when.keys().stream().anyMatch(k -> k.isAsked() || k == FactKey.REPEATS);
    }

    /** What it adds to the log of the cause's chance; 0 where it says nothing. */
    double adds(Facts facts) {
        if (when.in(facts) != Condition.Truth.YES) {
            return 0;
        }
        double w = weight * when.weight(facts);
        return speaks == Speaks.FOR ? w : -w;
    }
}
