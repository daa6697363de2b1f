package kilnryu.app.simulation;

import java.util.HashMap;
import java.util.Map;

/**
 * Whose turn it is: a studio that asks for much waits behind itself, not before another. A studio's next question comes a
 * round after its last one, and nobody's comes before the round that is served now.
 */
final class Turns {
    private final Map<Long, Long> last = new HashMap<>();
    private final Map<Long, Integer> waiting = new HashMap<>();
    private long serving;
    private long number;

    /** A place in the queue: rounds first, within one who came first. */
    record Turn(long studio, long round, long number) implements Comparable<Turn> {
        @Override
        public int compareTo(Turn other) {
            int byRound = Long.compare(round, other.round);
            return byRound != 0 ? byRound : Long.compare(number, other.number);
        }
    }

    synchronized Turn take(long studio) {
        long round = Math.max(serving, last.getOrDefault(studio, serving) + 1);
        last.put(studio, round);
        waiting.merge(studio, 1, Integer::sum);
        return new Turn(studio, round, number++);
    }

    /** It is served now. */
    synchronized void serve(Turn turn) {
        serving = Math.max(serving, turn.round);
        leave(turn);
    }

    /** It went without being served. */
    synchronized void leave(Turn turn) {
        if (waiting.merge(turn.studio, -1, Integer::sum) == 0) {
            waiting.remove(turn.studio);
            last.remove(turn.studio);
        }
    }

    /** Studios that wait; none are remembered that do not. */
    synchronized int studios() {
        return last.size();
    }
}
