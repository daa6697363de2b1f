package kilnryu.app.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PasswordsTest {
    private static final List<String> OWN = List.of("heron", "Heron Fisher", "Mudflat Castings");

    @ParameterizedTest
    @ValueSource(strings = {"", "short", "elevenchars", "tide tables"})
    void tooShort(String password) {
        assertThat(Passwords.complaint(password, OWN))
                .hasValueSatisfying(c -> assertThat(c).startsWith("12 to 72"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "passwordpassword",
                "123456789012",
                "qwertyuiopas",
                "aaaaaaaaaaaa",
                "password1234",
                "111111111111",
                "abcabcabcabc",
                "mudflat castings",
                "heron fisher"
            })
    void amongTheFirstTried(String password) {
        assertThat(Passwords.complaint(password, OWN))
                .as(password)
                .hasValueSatisfying(c -> assertThat(c).contains("first that are tried"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"eel ladle fog cobalt", "the tide came in twice on Tuesday", "vY7#q2-lantern-fish"})
    void good(String password) {
        assertThat(Passwords.complaint(password, OWN)).isEmpty();
    }

    /** What BCrypt would not read is refused and not cut off in silence: 37 letters of two bytes are 74. */
    @Test
    void tooLongInBytes() {
        assertThat(Passwords.complaint("é".repeat(37), OWN)).isPresent();
        assertThat(Passwords.complaint("é ladle fog cobalt ".repeat(2), OWN)).isEmpty();
    }
}
