package kilnryu.app.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/** Which passwords are taken: long enough, and none of those that everybody tries first. */
final class Passwords {
    static final int LEAST = 12;
    /** BCrypt reads no further than this many bytes. */
    private static final int MOST_BYTES = 72;
    /** What a patient guesser finds within a day is too easy. */
    private static final int LEAST_SCORE = 2;

    private static final Zxcvbn GUESSES = new Zxcvbn();

    private Passwords() {}

    /** @param own words of the one who chooses, which a guesser knows too */
    static Optional<String> complaint(String password, List<String> own) {
        if (password.length() < LEAST || password.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            return Optional.of(LEAST + " to " + MOST_BYTES + " letters; a sentence is good.");
        }
        if (GUESSES.measure(password, own).getScore() < LEAST_SCORE) {
            return Optional.of("This is among the first that are tried: words strung together at random are better.");
        }
        return Optional.empty();
    }
}
