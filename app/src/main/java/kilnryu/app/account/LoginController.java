package kilnryu.app.account;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The login form, and the form that makes the owner's account while there is none. */
@Controller
class LoginController {
    private final AccountStore accounts;
    private final PasswordEncoder passwords;

    LoginController(AccountStore accounts, PasswordEncoder passwords) {
        this.accounts = accounts;
        this.passwords = passwords;
    }

    @GetMapping("/login")
    String login(@RequestParam Map<String, String> why, Model model) {
        if (accounts.none()) {
            return "redirect:/first";
        }
        model.addAttribute("why", why.isEmpty() ? "" : why.keySet().iterator().next());
        return "account/login";
    }

    @GetMapping("/first")
    String first(Model model) {
        onlyWhileThereIsNone();
        model.addAttribute("typed", Map.of("zone", ZoneId.systemDefault().getId()));
        model.addAttribute("errors", Map.of());
        return "account/first";
    }

    /** Of two who send it at once one makes the studio; the other is told so. */
    @PostMapping("/first")
    String create(@RequestParam Map<String, String> typed, Model model, jakarta.servlet.http.HttpServletResponse out) {
        if (!accounts.none()) {
            return "redirect:/login?taken";
        }
        Map<String, String> errors = errors(typed);
        if (!errors.isEmpty()) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("typed", typed);
            model.addAttribute("errors", errors);
            return "account/first";
        }
        boolean made = accounts.createFirst(new AccountStore.NewOwner(
                        typed.get("studio").strip(),
                        typed.get("zone"),
                        typed.get("login").strip().toLowerCase(Locale.ROOT),
                        passwords.encode(typed.get("password")),
                        typed.get("shown").strip(),
                        false))
                .isPresent();
        return made ? "redirect:/login?made" : "redirect:/login?taken";
    }

    private void onlyWhileThereIsNone() {
        if (!accounts.none()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Map<String, String> errors = person(typed, typed.getOrDefault("studio", ""));
        between(typed, "studio", 1, 120, "The studio needs a name of at most 120 letters.", errors);
        try {
            ZoneId.of(typed.getOrDefault("zone", ""));
        } catch (DateTimeException e) {
            errors.put("zone", "Not a known time zone; write it like Europe/Lisbon.");
        }
        return errors;
    }

    /** What is wrong with a name, a login and a password that are to be an account's. */
    static Map<String, String> person(Map<String, String> typed, String studio) {
        Map<String, String> errors = new LinkedHashMap<>();
        between(typed, "shown", 1, 80, "Type the name others see, at most 80 letters.", errors);
        if (!typed.getOrDefault("login", "").strip().matches("[A-Za-z0-9._@-]{2,60}")) {
            errors.put("login", "2 to 60 letters, digits, dots, dashes or @.");
        }
        Passwords.complaint(
                        typed.getOrDefault("password", ""),
                        List.of(typed.getOrDefault("login", ""), typed.getOrDefault("shown", ""), studio))
                .ifPresent(complaint -> errors.put("password", complaint));
        return errors;
    }

    private static void between(
            Map<String, String> typed, String field, int least, int most, String message, Map<String, String> errors) {
        int length = typed.getOrDefault(field, "").strip().length();
        if (length < least || length > most) {
            errors.put(field, message);
        }
    }
}
