package kilnryu.app.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a name, a login and a password have to be. */
class NewPersonTest {
    private static Map<String, String> typed(String shown, String login, String password) {
        Map<String, String> typed = new HashMap<>();
        typed.put("shown", shown == null ? "" : shown);
        typed.put("login", login == null ? "" : login);
        typed.put("password", password == null ? "" : password);
        return typed;
    }

    @ParameterizedTest
    @CsvSource({
        "Ebba, ebba, eel grass at low water, ''",
        "'', ebba, eel grass at low water, shown",
        "Ebba, e, eel grass at low water, login",
        "Ebba, ebba and co, eel grass at low water, login",
        "Ebba, ebba, short, password",
        "Ebba, ebba, passwordpassword, password"
    })
    void eachFaultStandsAtItsField(String shown, String login, String password, String field) {
        Map<String, String> errors = LoginController.person(typed(shown, login, password), "Mudflat Castings");
        if (field.isEmpty()) {
            assertThat(errors).isEmpty();
        } else {
            assertThat(errors).containsOnlyKeys(field);
            assertThat(errors.get(field)).isNotBlank();
        }
    }

    @Test
    void aPasswordIsNotTheNameOfTheStudio() {
        assertThat(LoginController.person(typed("Ebba", "ebba", "mudflat castings"), "Mudflat Castings"))
                .containsOnlyKeys("password");
        assertThat(LoginController.person(typed("x".repeat(81), "ebba", "eel grass at low water"), ""))
                .containsOnlyKeys("shown");
    }

    @Test
    void whatIsMissingIsNeverAFault500() {
        assertThat(LoginController.person(Map.of(), "")).containsOnlyKeys("shown", "login", "password");
    }
}
