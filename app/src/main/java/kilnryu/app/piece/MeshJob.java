package kilnryu.app.piece;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.tree.TreeStore;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.MeshReader;
import kilnryu.core.mesh.MeshUnit;
import kilnryu.core.mesh.Pockets;
import kilnryu.core.mesh.Reduced;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.UnreadableMesh;
import kilnryu.core.mesh.Walls;
import kilnryu.core.mesh.Watch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Measures uploaded meshes beside the pages; a job cut off by a crash is taken up again at the next start. */
@Configuration
class MeshJob {
    private static final Logger LOG = LoggerFactory.getLogger(MeshJob.class);
    private static final TaskDescriptor<Long> MEASURE = TaskDescriptor.of("measure-mesh", Long.class);
    private static final List<String> SIDES = List.of("0 0 1", "0 0 -1", "1 0 0", "-1 0 0", "0 1 0", "0 -1 0");

    private final MeshStore meshes;
    private final TreeStore trees;
    private final Clock clock;

    MeshJob(MeshStore meshes, TreeStore trees, Clock clock) {
        this.meshes = meshes;
        this.trees = trees;
        this.clock = clock;
    }

    @Bean
    OneTimeTask<Long> measureMesh() {
        return Tasks.oneTime(MEASURE).execute((instance, context) -> measure(instance.getData()));
    }

    void schedule(SchedulerClient scheduler, long mesh, String up) {
        scheduler.scheduleIfNotExists(MEASURE.instance(mesh + " " + up + " " + clock.millis())
                .data(mesh)
                .scheduledTo(clock.instant()));
    }

    private void measure(long id) {
        MeshStore.Row row = meshes.find(id).orElse(null);
        if (row == null || !row.isAtWork()) {
            return;
        }
        try (InputStream file = meshes.open(id, "file")) {
            measure(row, file);
        } catch (Watch.Cancelled e) {
            LOG.debug("measuring of mesh {} was cancelled", id);
        } catch (UnreadableMesh e) {
            meshes.refused(id, e.getMessage());
        } catch (IOException | OutOfMemoryError e) {
            LOG.error("mesh {} could not be measured", id, e);
            meshes.refused(id, "This mesh could not be measured here; reduce it and try again.");
        }
    }

    private void measure(MeshStore.Row row, InputStream file) throws IOException {
        Watch watch = new Reporting(row.id());
        Mesh mesh = MeshReader.read(file, row.fileName(), row.bytes(), watch);
        Solid solid = Solid.of(mesh, watch);
        Optional<Walls> walls =
                solid.isClosed() && !solid.overlapping() ? Optional.of(Walls.of(solid, watch)) : Optional.empty();
        Map<String, Pockets> sides = new LinkedHashMap<>();
        if (solid.isClosed()) {
            sides.put(row.up(), Pockets.of(solid, MeshSummary.side(row.up()), watch));
            for (String side : SIDES) {
                if (!sides.containsKey(side)) {
                    sides.put(side, Pockets.of(solid, MeshSummary.side(side), watch));
                }
            }
        }
        byte[] view = view(solid, walls, watch);
        String unit = mesh.statedUnit().map(MeshUnit::key).orElse("");
        if (meshes.measured(row.id(), MeshSummary.of(unit, mesh.dropped(), solid, walls, sides), view)) {
            trees.forgetFaces(row.pieceId());
        }
    }

    /** Triangles for the browser: their count, nine coordinates each, then the wall at each; little end first. */
    private static byte[] view(Solid solid, Optional<Walls> walls, Watch watch) {
        Mesh shown = Reduced.of(solid.mesh());
        float[] wall =
                walls.map(w -> Walls.ofEach(shown, solid, w.thickest(), watch)).orElse(new float[0]);
        ByteBuffer out = ByteBuffer.allocate(4 + shown.triangleCount() * 36 + wall.length * 4)
                .order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(shown.triangleCount());
        for (int t = 0; t < shown.triangleCount(); t++) {
            for (int k = 0; k < 3; k++) {
                var at = shown.at(shown.corner(t, k));
                out.putFloat((float) at.x()).putFloat((float) at.y()).putFloat((float) at.z());
            }
        }
        for (float w : wall) {
            out.putFloat(w);
        }
        return out.array();
    }

    /** Writes progress some three times a second and sees whether it was cancelled. */
    private final class Reporting implements Watch {
        private final long id;
        private long told;

        Reporting(long id) {
            this.id = id;
        }

        @Override
        public boolean goOn(Step step, double share) {
            long now = clock.millis();
            if (now - told < 300) {
                return true;
            }
            told = now;
            return meshes.progress(id, words(step), share);
        }

        private static String words(Step step) {
            return switch (step) {
                case READ -> "reading the file";
                case JOIN -> "joining its faces";
                case WALLS -> "measuring walls";
                case POCKETS -> "looking for pockets";
                case UNDERCUTS -> "looking for what locks";
            };
        }
    }
}
