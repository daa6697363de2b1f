package kilnryu.app.web;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the frame round every page needs: where we are, and who is signed in, if anyone. */
@ControllerAdvice
public class Frame {
    public static final String IMPORT_MAP = "{\"imports\":{\"three\":\"/webjars/three/build/three.module.min.js\","
            + "\"three/addons/\":\"/webjars/three/examples/jsm/\"}}";

    private final Room room;

    Frame(Room room) {
        this.room = room;
    }

    /** Names under which scripts find the 3D library; the policy allows this text and no other between script tags. */
    @ModelAttribute("importMap")
    String importMap() {
        return IMPORT_MAP;
    }

    @ModelAttribute("path")
    String path(HttpServletRequest request) {
        return request.getRequestURI();
    }

    /** Light or dark where someone chose it; else as the device has it. */
    @ModelAttribute("theme")
    String theme(@CookieValue(name = "theme", defaultValue = "") String chosen) {
        return chosen.equals("dark") || chosen.equals("light") ? chosen : null;
    }

    /** A word on the disk, while there is time to make room. */
    @ModelAttribute("disk")
    String disk() {
        return account() == null ? "" : room.warning();
    }

    @ModelAttribute("account")
    Principal account() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn != null && signedIn.getPrincipal() instanceof Principal account ? account : null;
    }
}
