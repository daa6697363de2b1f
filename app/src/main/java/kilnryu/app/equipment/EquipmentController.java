package kilnryu.app.equipment;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of the studio's equipment. */
@Controller
class EquipmentController {
    private static final int EMPTY_LINES = 1;

    private final EquipmentStore store;

    EquipmentController(EquipmentStore store) {
        this.store = store;
    }

    @GetMapping("/equipment")
    String show(@AuthenticationPrincipal Account account, Model model) {
        EquipmentStore.Sheet sheet = store.of(account.studioId());
        return page(account, sheet.fields(), sheet.version(), false, model);
    }

    @PostMapping("/equipment")
    String save(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        EquipmentReader.read(fields);
        return new Saving(model, response)
                .saveOver(
                        fields,
                        () -> store.save(account.studioId(), version, EquipmentReader.kept(fields)),
                        between -> page(
                                account,
                                typed,
                                between ? store.of(account.studioId()).version() : version,
                                true,
                                model),
                        "/equipment?saved");
    }

    private static String page(
            Account account, Map<String, String> typed, int version, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        model.addAttribute("drawing", EquipmentDrawing.of(EquipmentReader.workshop(fields)));
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, EquipmentFields.ALL));
        model.addAttribute("flasks", fields.lines("flasks", EMPTY_LINES));
        model.addAttribute("bowls", fields.lines("bowls", EMPTY_LINES));
        model.addAttribute("version", version);
        return "equipment/equipment";
    }
}
