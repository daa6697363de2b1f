package kilnryu.app.piece;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Takes in pieces that were not typed here, such as those of the demo. */
@Component
public class PieceIntake {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final PieceStore pieces;
    private final MeshStore meshes;
    private final PhotoStore photos;
    private final MeshJob job;
    private final SchedulerClient scheduler;

    PieceIntake(PieceStore pieces, MeshStore meshes, PhotoStore photos, MeshJob job, SchedulerClient scheduler) {
        this.pieces = pieces;
        this.meshes = meshes;
        this.photos = photos;
        this.job = job;
        this.scheduler = scheduler;
    }

    /** A mesh file. */
    public record Mesh(String name, byte[] file) {}

    /** @return the number of the piece */
    public long take(Account account, String fields, Optional<Mesh> mesh) throws IOException {
        Map<String, String> typed = JSON.readValue(fields, TEXTS);
        long id = pieces.save(account.studioId(), 0, 0, typed, account.id()).orElseThrow();
        if (mesh.isPresent()) {
            byte[] file = mesh.get().file();
            MeshStore.Upload upload =
                    new MeshStore.Upload(account.studioId(), id, mesh.get().name(), file.length, "0 0 1");
            job.schedule(scheduler, meshes.keep(upload, new ByteArrayInputStream(file)), "0 0 1");
        }
        return id;
    }

    /** A photo of a piece. */
    public void photo(Account account, long piece, String caption, byte[] jpeg) throws IOException, Photo.Unusable {
        photos.keep(account, PhotoStore.Of.PIECE, piece, caption, Photo.of(jpeg));
    }
}
