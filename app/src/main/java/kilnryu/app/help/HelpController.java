package kilnryu.app.help;

import java.time.Duration;
import org.springframework.boot.info.BuildProperties;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** The manual, chapter by chapter with its pictures, and the words of the trade. */
@Controller
class HelpController {
    private final Manual manual;
    private final BuildProperties build;

    HelpController(Manual manual, BuildProperties build) {
        this.manual = manual;
        this.build = build;
    }

    @GetMapping("/help")
    String first() {
        return "redirect:/help/" + manual.chapters().get(0).key();
    }

    @GetMapping("/help/{chapter:[a-z-]+}")
    String chapter(@PathVariable String chapter, Model model) {
        model.addAttribute(
                "open", manual.chapter(chapter).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)));
        model.addAttribute("chapters", manual.chapters());
        model.addAttribute("version", build.getVersion());
        return "help/chapter";
    }

    @GetMapping("/help/pictures/{name:[a-z-]+}.png")
    ResponseEntity<Resource> picture(@PathVariable String name) {
        Resource picture = new ClassPathResource("help/pictures/" + name + ".png");
        if (!picture.exists()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(picture);
    }

    @GetMapping("/glossary")
    String words(Model model) {
        model.addAttribute("terms", Term.ALL);
        return "help/glossary";
    }

    /** For marking the first use of a term on a page. */
    @GetMapping(value = "/glossary/terms", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<java.util.List<Term.Said>> terms() {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePrivate())
                .body(Term.ALL.stream()
                        .map(t -> new Term.Said(t.key(), t.word(), t.meaning()))
                        .toList());
    }
}
