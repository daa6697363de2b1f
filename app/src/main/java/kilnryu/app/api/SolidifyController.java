package kilnryu.app.api;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.foresight.CellRoom;
import kilnryu.app.foresight.SolidifyReader;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Paths;
import kilnryu.app.simulation.Question;
import kilnryu.app.simulation.Simulations;
import kilnryu.app.web.Answer;
import kilnryu.app.web.Units;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.kiln.Watch;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.MeshReader;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.UnreadableMesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.solid.Inflow;
import kilnryu.core.solid.Pools;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Fills and freezes a mesh that is sent, and keeps nothing of it: at once, or as a job that is asked after. */
@RestController
@RequestMapping(path = "/api/compute", produces = MediaType.APPLICATION_JSON_VALUE)
class SolidifyController {
    private static final Duration AT_ONCE = Duration.ofSeconds(5);
    private static final Duration KEPT = Duration.ofHours(1);
    private static final int MOST_JOBS = 20;
    private static final int MOST_WAITING = 200;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final FactorStore factors;
    private final Simulations simulations;
    private final ExecutorService waiting = Executors.newCachedThreadPool(runs -> {
        Thread thread = new Thread(runs, "solidify");
        thread.setDaemon(true);
        return thread;
    });
    private final Cache<String, Job> jobs = Caffeine.newBuilder()
            .expireAfterWrite(KEPT)
            .maximumSize(MOST_WAITING)
            .build();

    SolidifyController(FactorStore factors, Simulations simulations) {
        this.factors = factors;
        this.simulations = simulations;
    }

    /** What came of it. */
    record Answered(Map<String, Object> figures, List<Answer.Sum> sums, List<Answer.Check> findings) {}

    /** A job: running, done, failed or cancelled; how far it is, and its answer when it is done. */
    record Seen(String id, String state, int progress_pct, Answered answer, String error) {}

    /** A place where metal is short of air's leave. */
    record Pocket(double x, double y, double z, double volume_cm3, double pressure_kPa) {}

    /** A place where the metal went no further. */
    record Stop(double x, double y, double z, Double metal_C) {}

    /** Liquid that parted. */
    record Pool(
            double x,
            double y,
            double z,
            double closes_s,
            double liquid_cm3,
            double shrinkage_cm3,
            boolean fed_by_air) {}

    /** The last place. */
    record Last(double x, double y, double z, Double s) {}

    private static final class Job {
        final String id = UUID.randomUUID().toString();
        final long studio;
        final Asked asked;
        CompletableFuture<Answered> answer = new CompletableFuture<>();

        Job(long studio, Asked asked) {
            this.studio = studio;
            this.asked = asked;
        }

        Seen shown() {
            int far = (int) Math.round(100 * asked.share);
            if (!answer.isDone()) {
                return new Seen(id, asked.stopped ? "cancelled" : "running", far, null, "");
            }
            if (answer.isCompletedExceptionally()) {
                return new Seen(
                        id,
                        asked.stopped ? "cancelled" : "failed",
                        far,
                        null,
                        asked.stopped ? "" : "It could not be reckoned here.");
            }
            return new Seen(id, "done", 100, answer.join(), "");
        }
    }

    @Operation(
            summary =
                    "How a body of metal fills and freezes: mesh as multipart field metal (STL or 3MF, mm, +z up, its highest flat face the open cup), field plan as JSON of the schema SolidifyPlan. After five seconds 202 with the Location of a job")
    @PostMapping(path = "/solidify", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<?> solidify(
            @AuthenticationPrincipal Account account, @RequestParam MultipartFile metal, @RequestParam String plan)
            throws IOException {
        SolidifyReader.Plan read = read(plan, factors.of(account.studioId()));
        if (read.cells() > CellRoom.most()) {
            throw new Impossible(Map.of("cells", CellRoom.tooMany()));
        }
        Mesh mesh = mesh(metal);
        if (jobs.asMap().values().stream()
                        .filter(j -> j.studio == account.studioId() && !j.answer.isDone())
                        .count()
                >= MOST_JOBS) {
            throw new ResponseStatusException(
                    HttpStatus.TOO_MANY_REQUESTS, "Twenty of these run already; wait for one of them.");
        }
        Job job = new Job(account.studioId(), new Asked(read, mesh));
        jobs.put(job.id, job);
        job.answer = CompletableFuture.supplyAsync(() -> simulations.of(job.studio, job.asked), waiting);
        try {
            return ResponseEntity.ok(job.answer.get(AT_ONCE.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            return ResponseEntity.status(HttpStatus.ACCEPTED)
                    .location(URI.create("/api/compute/jobs/" + job.id))
                    .body(job.shown());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private static SolidifyReader.Plan read(String plan, Factors factors) {
        JsonNode body;
        try {
            body = JSON.readTree(plan);
        } catch (JacksonException e) {
            throw new Impossible(Map.of("plan", "This is not JSON."));
        }
        if (!body.isObject()) {
            throw new Impossible(Map.of("plan", "The plan has to be a JSON object."));
        }
        Paths.Flat flat = Paths.flat(body);
        Fields fields = new Fields(flat.texts(), flat.words(), Units.METRIC);
        var read = SolidifyReader.read(fields, factors);
        fields.unknown().forEach(path -> fields.missing(path, "There is no such field."));
        if (read.isEmpty() || fields.hasErrors()) {
            throw new Impossible(fields.errors());
        }
        return read.get();
    }

    private static Mesh mesh(MultipartFile metal) throws IOException {
        String name = metal.getOriginalFilename() == null ? "" : metal.getOriginalFilename();
        try (InputStream in = metal.getInputStream()) {
            Mesh mesh = MeshReader.read(in, name, metal.getSize(), kilnryu.core.mesh.Watch.NONE);
            Solid solid = Solid.of(mesh, kilnryu.core.mesh.Watch.NONE);
            if (solid.openEdges() > Math.max(60, mesh.triangleCount() / 50)) {
                throw new Impossible(Map.of(
                        "metal",
                        "The mesh is open at " + solid.openEdges()
                                + " edges: what is inside it cannot be told. Close it."));
            }
            return solid.mesh();
        } catch (UnreadableMesh e) {
            throw new Impossible(Map.of("metal", e.getMessage()));
        }
    }

    @GetMapping("/jobs/{id}")
    Seen job(@AuthenticationPrincipal Account account, @PathVariable String id) {
        return of(account, id).shown();
    }

    @DeleteMapping("/jobs/{id}")
    Seen cancel(@AuthenticationPrincipal Account account, @PathVariable String id) {
        Job job = of(account, id);
        job.asked.stopped = true;
        return job.shown();
    }

    private Job of(Account account, String id) {
        Job job = jobs.getIfPresent(id);
        if (job == null || job.studio != account.studioId()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return job;
    }

    @PreDestroy
    void close() {
        waiting.shutdownNow();
    }

    /** One that was asked; each for itself, since its mesh is not kept. */
    private static final class Asked implements Question<Answered> {
        private final SolidifyReader.Plan plan;
        private final int cells;
        private Mesh mesh;
        private volatile double share;
        private volatile boolean stopped;

        Asked(SolidifyReader.Plan plan, Mesh mesh) {
            this.plan = plan;
            this.mesh = mesh;
            cells = plan.cells();
        }

        @Override
        public Answered answer(Watch watch) {
            return CellRoom.alone(
                    cells,
                    hours -> {
                        watch.at(hours);
                        if (stopped) {
                            throw new CancellationException("cancelled while it waited");
                        }
                    },
                    () -> looked(watch));
        }

        private Answered looked(Watch watch) {
            Foresight.Question q = plan.of(mesh);
            mesh = null;
            return answered(q, Foresight.of(q, at -> {
                share = at;
                watch.at(3600 * at);
                return !stopped;
            }));
        }

        @Override
        public String far(double hours) {
            return Math.round(100 * hours) + " % of it filled and frozen";
        }

        @Override
        public String words() {
            return "a body of metal in " + cells + " cells";
        }
    }

    private static Answered answered(Foresight.Question q, Foresight f) {
        CastCells c = f.cells();
        double true3 = 1e6 * c.volumeShare();
        Map<String, Object> figures = new LinkedHashMap<>();
        int metal = java.util.Arrays.stream(c.counts()).sum();
        figures.put("cells", c.grid().cells());
        figures.put("cell_mm", c.edge());
        figures.put("metal_cm3", metal * c.cell());
        figures.put("fill_s", f.filled().seconds());
        figures.put("freeze_s", finite(f.frozen().seconds()));
        List<Pocket> pockets = new ArrayList<>();
        for (Inflow.Pocket p : f.filled().pockets()) {
            Vec at = c.middle(p.cells()[0]);
            pockets.add(new Pocket(at.x(), at.y(), at.z(), p.volume() * true3, p.pressure() / 1000));
        }
        figures.put("air_pockets", pockets);
        figures.put(
                "cold_stops",
                f.filled().stops().stream()
                        .map(s -> {
                            Vec at = c.middle(s.cell());
                            return new Stop(at.x(), at.y(), at.z(), finite(s.celsius()));
                        })
                        .toList());
        List<Pool> pools = new ArrayList<>();
        double cavity = 0;
        for (Pools.Pool p : f.pools().pools()) {
            Vec at = c.middle(p.last());
            pools.add(new Pool(at.x(), at.y(), at.z(), p.shut(), p.liquid() * true3, p.shrinks() * true3, p.fed()));
            cavity += p.shrinks() * true3;
        }
        figures.put("pools", pools);
        figures.put("cavity_cm3", cavity);
        figures.put(
                "last_to_freeze",
                f.lastPlace()
                        .map(at -> new Last(
                                at.x(), at.y(), at.z(), finite(f.frozen().seconds())))
                        .orElse(null));
        Map<String, Figure> sums = new LinkedHashMap<>();
        f.figures().forEach(figure -> sums.put(figure.symbol(), figure));
        Answer answer = Answer.of(sums, f.findings());
        return new Answered(figures, answer.sums(), answer.findings());
    }

    private static Double finite(double value) {
        return Double.isFinite(value) ? value : null;
    }
}
