package kilnryu.app.plan;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.core.sum.Factors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Plans out of and into the studio as documents. */
@Controller
public class DocumentController {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private static final long LARGEST = 2_000_000;

    private final Plans plans;

    private final PourNote.Source pours;

    DocumentController(Plans plans, PourNote.Source pours) {
        this.pours = pours;
        this.plans = plans;
    }

    @GetMapping("/trees/{id}/plan.json")
    ResponseEntity<String> export(@AuthenticationPrincipal Account account, @PathVariable long id) {
        Plans.Saved saved = plans.find(account, id);
        Map<String, Object> document = PlanDocument.write(saved.plan());
        // what happened at its pour goes with it; an import leaves it where it is
        pours.of(account, id).map(PourNote::record).filter(r -> !r.isEmpty()).ifPresent(r -> document.put("poured", r));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header("Content-Disposition", "attachment; filename=\"plan-" + id + ".json\"")
                .body(JSON.writeValueAsString(document));
    }

    @PostMapping("/trees/import")
    String importPlan(
            @AuthenticationPrincipal Account account, @RequestParam MultipartFile document, RedirectAttributes redirect)
            throws IOException {
        if (document.getSize() > LARGEST) {
            redirect.addFlashAttribute("importError", "A plan document has at most 2 MB; this file is larger.");
            return "redirect:/trees";
        }
        try {
            String text = new String(document.getBytes(), StandardCharsets.UTF_8);
            return "redirect:/trees/" + take(account, text) + "/tree?imported";
        } catch (PlanDocument.Unusable e) {
            redirect.addFlashAttribute("importError", e.getMessage());
            return "redirect:/trees";
        }
    }

    @GetMapping(path = "/api/plan-schema/1", produces = "application/schema+json")
    ResponseEntity<Map<String, Object>> schema() {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/schema+json"))
                .body(PlanSchema.document());
    }

    /** Takes a document in as a new tree of the account's studio. */
    public long take(Account account, String text) throws PlanDocument.Unusable {
        Factors own = plans.factors(account, 0);
        PlanDocument.Content content =
                PlanDocument.read(text, new Plan.Reading(account.units(), own, account.zoneId()));
        Map<String, Double> carried = new LinkedHashMap<>(content.constants());
        carried.entrySet()
                .removeIf(e -> kilnryu.app.factor.Catalogue.named(e.getKey())
                        .map(c -> own.value(c) == e.getValue())
                        .orElse(true));
        return plans.create(account, content.stages(), carried);
    }
}
