package kilnryu.core.pour;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Whether a mold may be poured, from the record (handbook 17). What is not known is no go: silence is no yes.
 *
 * @param facts in the order in which they are looked at
 */
public record GoNoGo(List<Fact> facts) {

    /** What is known of a fact. */
    public enum State {
        YES,
        NO,
        UNKNOWN
    }

    /**
     * One thing that has to be so.
     *
     * @param words as it is, such as "burnt out: yes, ended Tue 08:10"
     * @param safety whether someone is hurt where it is not so: nobody overrules it
     */
    public record Fact(String key, String words, State state, boolean safety) {
        boolean stands() {
            return state == State.YES;
        }
    }

    /** What it comes to. */
    public enum Word {
        GO,
        NO_GO,
        NO_GO_OF_SAFETY
    }

    public Word word() {
        if (facts.stream().anyMatch(f -> f.safety && !f.stands())) {
            return Word.NO_GO_OF_SAFETY;
        }
        return facts.stream().allMatch(Fact::stands) ? Word.GO : Word.NO_GO;
    }

    /** What stands against it. */
    public List<Fact> lacking() {
        return facts.stream().filter(f -> !f.stands()).toList();
    }

    /**
     * What the record says of a mold.
     *
     * @param fired whether its kiln's program is through
     * @param dry whether charge, sand and tools were ticked as dry
     * @param clean cracks patched, ash blown out
     * @param vacuum reached on trial; YES where none is used
     * @param withinMetal whether the metal is at what is asked, when it was read
     * @param spare seconds left of its window as planned; empty where it is longer than is looked at
     * @param people there
     * @param peopleAsked for the lift
     * @param metalLimit whether its investment bears this metal; a stop of safety where it does not
     */
    public record Record(
            State fired,
            State dry,
            State clean,
            State vacuum,
            State withinMetal,
            OptionalDouble spare,
            int people,
            int peopleAsked,
            State metalLimit) {}

    public static GoNoGo of(Record r) {
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact("limit", says(r.metalLimit, "investment bears this metal"), r.metalLimit, true));
        facts.add(new Fact("dry", says(r.dry, "charge, tools and sand dry"), r.dry, true));
        facts.add(new Fact("fired", says(r.fired, "dry and burnt out"), r.fired, true));
        facts.add(new Fact("clean", says(r.clean, "cracks patched, ash blown out"), r.clean, false));
        facts.add(new Fact("vacuum", says(r.vacuum, "vacuum reached on trial"), r.vacuum, false));
        facts.add(new Fact("metal", says(r.withinMetal, "metal as hot as asked"), r.withinMetal, false));
        State window = r.spare.isEmpty() || r.spare.getAsDouble() >= 0 ? State.YES : State.NO;
        facts.add(new Fact("window", says(window, "reached inside its window"), window, false));
        State people = r.people >= r.peopleAsked ? State.YES : State.NO;
        facts.add(new Fact("people", r.people + " of " + r.peopleAsked + " people for the lift", people, true));
        return new GoNoGo(List.copyOf(facts));
    }

    private static String says(State state, String words) {
        return switch (state) {
            case YES -> words;
            case NO -> "not " + words;
            case UNKNOWN -> "not known: " + words;
        };
    }
}
