package kilnryu.app.piece;

import java.io.IOException;
import java.time.Duration;
import kilnryu.app.account.Account;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Photos of a piece. */
@Controller
class PhotoController {
    private static final int LONGEST_CAPTION = 200;

    private final PieceStore pieces;
    private final PhotoStore photos;

    PhotoController(PieceStore pieces, PhotoStore photos) {
        this.pieces = pieces;
        this.photos = photos;
    }

    @PostMapping("/pieces/{id}/photos")
    String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam MultipartFile photo,
            @RequestParam(defaultValue = "") String caption,
            RedirectAttributes redirect)
            throws IOException {
        present(account, id);
        if (photo.getSize() > Photo.LARGEST_FILE) {
            redirect.addFlashAttribute("photoError", "A photo has at most 20 MB; this one is larger.");
            return "redirect:/pieces/" + id + "#photos";
        }
        try {
            String words = caption.replaceAll("\\p{Cntrl}", " ").strip();
            String shown = words.length() > LONGEST_CAPTION ? words.substring(0, LONGEST_CAPTION) : words;
            photos.keep(account, PhotoStore.Of.PIECE, id, shown, Photo.of(photo));
        } catch (Photo.Unusable e) {
            redirect.addFlashAttribute("photoError", e.getMessage());
        }
        return "redirect:/pieces/" + id + "#photos";
    }

    @GetMapping("/photos/{photo}")
    ResponseEntity<byte[]> picture(@AuthenticationPrincipal Account account, @PathVariable long photo) {
        byte[] jpeg = photos.jpeg(account.studioId(), photo)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(jpeg);
    }

    @PostMapping("/pieces/{id}/photos/{photo}/{way:remove|restore}")
    String remove(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable long photo,
            @PathVariable String way,
            RedirectAttributes redirect) {
        present(account, id);
        if (!photos.remove(account.studioId(), photo, way.equals("remove"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (way.equals("remove")) {
            redirect.addFlashAttribute("photoGone", photo);
        }
        return "redirect:/pieces/" + id + "#photos";
    }

    private void present(Account account, long id) {
        pieces.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
