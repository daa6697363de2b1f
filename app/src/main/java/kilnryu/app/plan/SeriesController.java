package kilnryu.app.plan;

import kilnryu.app.account.Account;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Makes a design several times. */
@Controller
class SeriesController {
    private final Plans plans;

    SeriesController(Plans plans) {
        this.plans = plans;
    }

    @PostMapping("/trees/{id:\\d+}/series")
    String make(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String times,
            RedirectAttributes redirect) {
        plans.row(account, id);
        if (!times.strip().matches("\\d{1,3}")
                || Integer.parseInt(times.strip()) < 2
                || Integer.parseInt(times.strip()) > Series.MOST) {
            redirect.addFlashAttribute("timesError", "Trees of one design: from 2 to " + Series.MOST + ", in all.");
            redirect.addFlashAttribute("timesTyped", times);
        } else {
            plans.makeSeries(account, id, Integer.parseInt(times.strip()));
        }
        return "redirect:/trees/" + id + "/tree#series";
    }
}
