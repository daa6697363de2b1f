package kilnryu.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import kilnryu.app.web.Units;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The page on which a person chooses their units. */
@Controller
class AccountController {
    private final AccountStore accounts;
    private final HttpSessionSecurityContextRepository sessions = new HttpSessionSecurityContextRepository();

    AccountController(AccountStore accounts) {
        this.accounts = accounts;
    }

    @PostMapping("/account/units")
    String units(
            @AuthenticationPrincipal Account account,
            Authentication authentication,
            @RequestParam String system,
            @RequestParam(defaultValue = "false") boolean troy,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (Arrays.stream(Units.System.values()).noneMatch(s -> s.name().equals(system))) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        Units units = new Units(Units.System.valueOf(system), troy);
        accounts.chooseUnits(account, units);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                account.withUnits(units), null, authentication.getAuthorities()));
        SecurityContextHolder.setContext(context);
        sessions.saveContext(context, request, response);
        return "redirect:/account?saved";
    }
}
