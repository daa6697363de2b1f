package kilnryu.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.web.Units;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetailsSource;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
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
    private final SignIn signIn;

    LoginController(AccountStore accounts, PasswordEncoder passwords, SignIn signIn) {
        this.signIn = signIn;
        this.accounts = accounts;
        this.passwords = passwords;
    }

    /** A time zone, found by its city. */
    public record Zone(String id, String city) {}

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
        return first(Map.of("zone", ZoneId.systemDefault().getId(), "system", "METRIC"), Map.of(), model);
    }

    private static String first(Map<String, String> typed, Map<String, String> errors, Model model) {
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        model.addAttribute("least", Passwords.LEAST);
        model.addAttribute(
                "zones",
                ZoneId.getAvailableZoneIds().stream()
                        .filter(z -> z.matches(
                                "(Africa|America|Antarctica|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.*"))
                        .sorted()
                        .map(z ->
                                new Zone(z, z.substring(z.lastIndexOf('/') + 1).replace('_', ' ')))
                        .toList());
        return "account/first";
    }

    /** Of two who send it at once one makes the studio; the other is told so. */
    @PostMapping("/first")
    String create(
            @RequestParam Map<String, String> typed, Model model, HttpServletRequest request, HttpServletResponse out) {
        if (!accounts.none()) {
            return "redirect:/login?taken";
        }
        Map<String, String> errors = errors(typed);
        if (!errors.isEmpty()) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return first(typed, errors, model);
        }
        boolean made = accounts.createFirst(new AccountStore.NewOwner(
                        typed.get("studio").strip(),
                        typed.get("zone"),
                        typed.get("login").strip().toLowerCase(Locale.ROOT),
                        passwords.encode(typed.get("password")),
                        typed.get("shown").strip(),
                        false))
                .isPresent();
        if (!made) {
            return "redirect:/login?taken";
        }
        enter(typed, request, out);
        return "redirect:/";
    }

    /** Whoever has just made the account is signed in with it, as if it had been typed once more. */
    private void enter(Map<String, String> typed, HttpServletRequest request, HttpServletResponse response) {
        UsernamePasswordAuthenticationToken asked = UsernamePasswordAuthenticationToken.unauthenticated(
                typed.get("login").strip(), typed.get("password"));
        asked.setDetails(new WebAuthenticationDetailsSource().buildDetails(request));
        Authentication in = signIn.authenticate(asked);
        Account account = (Account) in.getPrincipal();
        Units units = new Units(
                "IMPERIAL".equals(typed.get("system")) ? Units.System.IMPERIAL : Units.System.METRIC,
                typed.containsKey("troy"));
        accounts.chooseUnits(account, units);
        request.getSession();
        request.changeSessionId();
        request.getSession().setAttribute(SignedIn.FROM, SignedIn.from(request));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(account.withUnits(units), null, in.getAuthorities()));
        new HttpSessionSecurityContextRepository().saveContext(context, request, response);
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
