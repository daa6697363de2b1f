package kilnryu.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** One's own account, its password and the places where it is signed in; for the owner, the others of the studio. */
@Controller
class PeopleController {
    private final AccountStore accounts;
    private final PasswordEncoder passwords;
    private final FindByIndexNameSessionRepository<? extends Session> sessions;

    PeopleController(
            AccountStore accounts,
            PasswordEncoder passwords,
            FindByIndexNameSessionRepository<? extends Session> sessions) {
        this.accounts = accounts;
        this.passwords = passwords;
        this.sessions = sessions;
    }

    /** A place where the account is signed in. */
    public record Place(String key, String began, String last, String from, boolean here) {}

    /** Someone of the studio. */
    public record Person(long id, String login, String shown, boolean owner, boolean disabled, boolean self) {}

    @GetMapping("/account")
    String show(@AuthenticationPrincipal Account account, HttpServletRequest request, Model model) {
        return page(account, request, Map.of(), Map.of(), model);
    }

    private String page(
            Account account,
            HttpServletRequest request,
            Map<String, String> errors,
            Map<String, String> typed,
            Model model) {
        String here = request.getSession(false) == null
                ? ""
                : request.getSession(false).getId();
        model.addAttribute(
                "places",
                sessions.findByPrincipalName(account.login()).values().stream()
                        .sorted(java.util.Comparator.comparing(Session::getLastAccessedTime)
                                .reversed())
                        .map(s -> place(account, s, here))
                        .toList());
        boolean owner = accounts.isOwner(account);
        model.addAttribute("isOwner", owner);
        model.addAttribute(
                "people",
                owner
                        ? accounts.people(account.studioId()).stream()
                                .map(p -> new Person(
                                        p.id(), p.login(), p.shown(), p.owner(), p.disabled(), p.id() == account.id()))
                                .toList()
                        : List.of());
        model.addAttribute("errors", errors);
        model.addAttribute("typed", typed);
        model.addAttribute("least", Passwords.LEAST);
        return "account/account";
    }

    private static Place place(Account account, Session s, String here) {
        String from = s.getAttribute(SignedIn.FROM);
        return new Place(
                SignedIn.key(s.getId()),
                Show.dayAndClock(s.getCreationTime().atZone(account.zoneId())),
                Show.dayAndClock(s.getLastAccessedTime().atZone(account.zoneId())),
                from == null ? "" : from,
                s.getId().equals(here));
    }

    @PostMapping("/account/password")
    String password(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String now,
            @RequestParam(defaultValue = "") String next,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Map<String, String> errors = new LinkedHashMap<>();
        if (account.demo()) {
            errors.put("next", "The demo account keeps its password.");
        } else if (!passwords.matches(now, accounts.hash(account))) {
            errors.put("now", "This is not the password you have now.");
            SecurityTrail.said("failed", account.login(), request.getRemoteAddr(), "change of password");
        }
        Passwords.complaint(next, List.of(account.login(), account.shownName(), account.studio()))
                .ifPresent(complaint -> errors.putIfAbsent("next", complaint));
        if (!errors.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, request, errors, Map.of(), model);
        }
        accounts.password(account.studioId(), account.id(), passwords.encode(next));
        String here = request.getSession(false) == null
                ? ""
                : request.getSession(false).getId();
        end(account.login(), id -> !id.equals(here));
        SecurityTrail.said("password changed", account.login(), request.getRemoteAddr(), "");
        return "redirect:/account?changed";
    }

    /** Ends one place where it is signed in, or all but this one. */
    @PostMapping("/account/sessions/end")
    String endSessions(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String key,
            HttpServletRequest request) {
        String here = request.getSession(false) == null
                ? ""
                : request.getSession(false).getId();
        end(
                account.login(),
                id -> key.isEmpty() ? !id.equals(here) : SignedIn.key(id).equals(key));
        return "redirect:/account?ended";
    }

    private void end(String login, java.util.function.Predicate<String> which) {
        sessions.findByPrincipalName(login).keySet().stream().filter(which).forEach(sessions::deleteById);
    }

    @PostMapping("/account/people")
    String add(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            HttpServletRequest request,
            HttpServletResponse response,
            RedirectAttributes redirect,
            Model model) {
        onlyOwner(account);
        Map<String, String> errors = LoginController.person(form, account.studio());
        String login = form.getOrDefault("login", "").strip().toLowerCase(Locale.ROOT);
        if (errors.isEmpty()) {
            try {
                Account made = accounts.createIn(
                        account.studioId(),
                        new AccountStore.NewOwner(
                                account.studio(),
                                account.zone(),
                                login,
                                passwords.encode(form.get("password")),
                                form.get("shown").strip(),
                                false));
                SecurityTrail.said("account added", account.login(), request.getRemoteAddr(), made.login());
                redirect.addFlashAttribute("said", made.shownName() + " can sign in as " + made.login() + ".");
                return "redirect:/account#people";
            } catch (DuplicateKeyException e) {
                errors.put("login", "Someone signs in with this already.");
            }
        }
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        Map<String, String> typed = new LinkedHashMap<>(form);
        typed.remove("password");
        return page(account, request, errors, typed, model);
    }

    /** Shuts someone out, who is signed out everywhere at once; or lets them in again. */
    @PostMapping("/account/people/{id}/{act:disable|enable}")
    String disable(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable String act,
            HttpServletRequest request,
            RedirectAttributes redirect) {
        onlyOwner(account);
        AccountStore.Person person = other(account, id);
        boolean away = act.equals("disable");
        accounts.disable(account.studioId(), id, away);
        if (away) {
            end(person.login(), s -> true);
        }
        SecurityTrail.said("account " + act + "d", account.login(), request.getRemoteAddr(), person.login());
        redirect.addFlashAttribute(
                "said", person.shown() + (away ? " is shut out and signed out everywhere." : " may sign in again."));
        return "redirect:/account#people";
    }

    @PostMapping("/account/people/{id}/reset")
    String reset(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String password,
            HttpServletRequest request,
            RedirectAttributes redirect) {
        onlyOwner(account);
        AccountStore.Person person = other(account, id);
        Optional<String> complaint =
                Passwords.complaint(password, List.of(person.login(), person.shown(), account.studio()));
        if (complaint.isPresent()) {
            redirect.addFlashAttribute(
                    "fault", "The password of " + person.shown() + " was not changed. " + complaint.get());
            return "redirect:/account#people";
        }
        accounts.password(account.studioId(), id, passwords.encode(password));
        end(person.login(), s -> true);
        SecurityTrail.said("password reset", account.login(), request.getRemoteAddr(), person.login());
        redirect.addFlashAttribute("said", person.shown() + " has a new password and signs in with it.");
        return "redirect:/account#people";
    }

    private AccountStore.Person other(Account account, long id) {
        if (id == account.id()) {
            throw new Late("Your own account is not shut out here.", "/account");
        }
        return accounts.people(account.studioId()).stream()
                .filter(p -> p.id() == id)
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private void onlyOwner(Account account) {
        if (!accounts.isOwner(account)) {
            throw new ResponseStatusException(HttpStatus.FORBIDDEN);
        }
    }
}
