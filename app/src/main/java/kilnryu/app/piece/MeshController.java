package kilnryu.app.piece;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.io.IOException;
import java.io.InputStream;
import kilnryu.app.account.Account;
import kilnryu.core.mesh.Vec;
import org.springframework.core.io.InputStreamResource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Takes meshes in, says how far measuring has come, and gives what the view shows. */
@Controller
class MeshController {
    private static final int LONGEST_NAME = 200;

    private final PieceStore pieces;
    private final MeshStore meshes;
    private final MeshJob job;
    private final SchedulerClient scheduler;

    MeshController(PieceStore pieces, MeshStore meshes, MeshJob job, SchedulerClient scheduler) {
        this.pieces = pieces;
        this.meshes = meshes;
        this.job = job;
        this.scheduler = scheduler;
    }

    @PostMapping("/pieces/{id}/mesh")
    String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam MultipartFile mesh,
            RedirectAttributes redirect)
            throws IOException {
        present(account, id);
        if (mesh.isEmpty()) {
            redirect.addFlashAttribute("meshError", "Choose a file first; this one holds 0 bytes.");
            return "redirect:/pieces/" + id;
        }
        String up = "0 0 1";
        try (InputStream file = mesh.getInputStream()) {
            MeshStore.Upload upload = new MeshStore.Upload(account.studioId(), id, named(mesh), mesh.getSize(), up);
            job.schedule(scheduler, meshes.keep(upload, file), up);
        }
        return "redirect:/pieces/" + id + "#mesh";
    }

    private static String named(MultipartFile file) {
        String name = file.getOriginalFilename() == null ? "mesh" : file.getOriginalFilename();
        String plain = name.replaceAll("^.*[/\\\\]", "").replaceAll("\\p{Cntrl}", "");
        return plain.length() > LONGEST_NAME ? plain.substring(plain.length() - LONGEST_NAME) : plain;
    }

    /** How far it has come; once it is done, the page is asked to load anew. */
    @GetMapping("/pieces/{id}/mesh/state")
    String state(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        present(account, id);
        model.addAttribute("id", id);
        model.addAttribute("row", meshes.ofPiece(account.studioId(), id).orElse(null));
        return "piece/mesh :: state";
    }

    @PostMapping("/pieces/{id}/mesh/cancel")
    String cancel(@AuthenticationPrincipal Account account, @PathVariable long id) {
        present(account, id);
        meshes.cancel(account.studioId(), id);
        return "redirect:/pieces/" + id;
    }

    @PostMapping("/pieces/{id}/mesh/off")
    String takeOff(@AuthenticationPrincipal Account account, @PathVariable long id) {
        present(account, id);
        meshes.takeOff(account.studioId(), id);
        return "redirect:/pieces/" + id;
    }

    /** Another side is up: pockets are looked for anew. */
    @PostMapping("/pieces/{id}/mesh/up")
    String up(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String up) {
        present(account, id);
        Vec side = MeshSummary.side(up);
        String text = plain(side.x()) + " " + plain(side.y()) + " " + plain(side.z());
        meshes.ofPiece(account.studioId(), id)
                .filter(row -> meshes.again(row.id(), text))
                .ifPresent(row -> job.schedule(scheduler, row.id(), text));
        return "redirect:/pieces/" + id + "#mesh";
    }

    /** Three decimals, without those that say nothing. */
    private static String plain(double share) {
        double rounded = Math.rint(share * 1000) / 1000;
        return rounded == Math.rint(rounded) ? Integer.toString((int) rounded) : Double.toString(rounded);
    }

    @GetMapping(path = "/pieces/{id}/mesh/{mesh}/view", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<InputStreamResource> view(
            @AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable long mesh) {
        MeshStore.Row row = meshes.ofPiece(account.studioId(), id)
                .filter(r -> r.id() == mesh && r.summary() != null)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .body(new InputStreamResource(meshes.open(row.id(), "view")));
    }

    private void present(Account account, long id) {
        pieces.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
