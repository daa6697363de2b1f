package kilnryu.app.demo;

import java.awt.Color;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import kilnryu.app.blend.BlendStore;
import kilnryu.app.dipping.ShellIntake;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.melt.MelterStore;
import kilnryu.app.melt.MetalController;
import kilnryu.app.piece.Photo;
import kilnryu.app.piece.PieceIntake;
import kilnryu.app.plan.DocumentController;
import kilnryu.app.plan.PlanDocument;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.pour.PourIntake;
import kilnryu.app.run.FiringIntake;
import kilnryu.app.school.Craft;
import kilnryu.app.school.SchoolStore;
import kilnryu.core.gating.GatingSchool;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.ClassPathResource;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Fills an empty database with the demo studio when asked to; all of it is made up. */
@Component
class DemoLoader implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
    private static final List<String> PLANS = List.of("lantern-fish", "limpet-cufflinks", "wading-bird", "maple-keys");

    private static final List<String> SHELLS = List.of("curlew-leg", "tern-body");
    private static final List<String> BLENDS = List.of("estuary-fine", "estuary-backup", "shed-mix");
    private static final Color WAX = new Color(0x9a4a36);
    private static final Color PLASTIC = new Color(0xd8d2c4);
    private static final Color RESIN = new Color(0x7d9fb0);
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final AccountStore accounts;
    private final PieceIntake pieces;
    private final EquipmentStore equipment;
    private final SchoolStore schools;
    private final BlendStore blends;
    private final ShellIntake shells;
    private final FiringIntake firings;
    private final Melting melting;
    private final YearOfCastings year;
    private final RubberAndWax rubberAndWax;
    private final DocumentController documents;
    private final Plans plans;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final boolean wanted;

    DemoLoader(
            AccountStore accounts,
            DocumentController documents,
            Plans plans,
            PieceIntake pieces,
            EquipmentStore equipment,
            SchoolStore schools,
            BlendStore blends,
            ShellIntake shells,
            FiringIntake firings,
            Melting melting,
            YearOfCastings year,
            RubberAndWax rubberAndWax,
            PasswordEncoder passwords,
            Clock clock,
            @Value("${kilnryu.demo}") boolean wanted) {
        this.accounts = accounts;
        this.documents = documents;
        this.plans = plans;
        this.pieces = pieces;
        this.equipment = equipment;
        this.schools = schools;
        this.blends = blends;
        this.shells = shells;
        this.firings = firings;
        this.melting = melting;
        this.year = year;
        this.rubberAndWax = rubberAndWax;
        this.passwords = passwords;
        this.clock = clock;
        this.wanted = wanted;
    }

    /** What takes in metal, furnaces and pours. */
    @Component
    record Melting(MetalController metal, MelterStore melters, PourIntake pours) {}

    /** All of it or nothing: a start that is cut short leaves no half of a studio. */
    @Override
    @Transactional(rollbackFor = Exception.class)
    public void run(ApplicationArguments arguments) throws IOException, PlanDocument.Unusable, Photo.Unusable {
        if (!wanted) {
            return;
        }
        Optional<Account> owner = accounts.createFirst(new AccountStore.NewOwner(
                "Saltmarsh Casting", "Europe/Lisbon", "demo", passwords.encode("estuary"), "Demo", true));
        if (owner.isPresent()) {
            load(owner.get());
            LOG.info("demo studio loaded");
        }
    }

    /** The whole studio, with a year of castings behind it. */
    void load(Account owner) throws IOException, PlanDocument.Unusable, Photo.Unusable {
        List<Long> trees = new ArrayList<>();
        for (String plan : PLANS) {
            trees.add(documents.take(owner, withPourDay(read(plan), owner)));
        }
        link(owner, trees.get(3), "3", sculpted(owner, "maple-key", "key", Sculptor.key(), RESIN));
        link(owner, trees.get(0), "2", sculpted(owner, "fish", "lantern-fish", Sculptor.fish(), PLASTIC));
        long leg = sculpted(owner, "leg", "left-leg", Sculptor.leg(), WAX);
        link(owner, trees.get(2), "4", leg);
        pieces.take(owner, read("piece-heron"), Optional.empty());
        pieces.take(owner, read("piece-limpet"), mesh());
        equipment.save(
                owner.studioId(),
                0,
                JSON.readValue(read("equipment"), new TypeReference<LinkedHashMap<String, String>>() {}));
        for (String blend : BLENDS) {
            LinkedHashMap<String, String> fields =
                    JSON.readValue(read("blend-" + blend), new TypeReference<LinkedHashMap<String, String>>() {});
            LinkedHashMap<String, String> trial = new LinkedHashMap<>();
            fields.keySet().stream()
                    .filter(k -> k.startsWith("trial."))
                    .forEach(k -> trial.put(k.substring("trial.".length()), fields.get(k)));
            fields.keySet().removeIf(k -> k.startsWith("trial."));
            long id = blends.create(owner.studioId(), fields.get("name"), fields);
            if (!trial.isEmpty()) {
                blends.keepTrial(owner, blends.find(owner.studioId(), id).orElseThrow(), trial);
            }
        }
        schools.copy(
                owner,
                Craft.GATING,
                "Thin leaves",
                GatingSchool.FREE_TREE.key(),
                JSON.readValue(read("school-leaves"), new TypeReference<LinkedHashMap<String, String>>() {}));
        List<Long> inShell = shells(owner, leg);
        firings(owner, trees);
        melting(owner, List.of(trees.get(2), inShell.get(0), inShell.get(1)));
        year.load(owner);
    }

    /** Two kilns, a program of the studio's own; a firing that was poured, one that runs, one that is planned. */
    private void firings(Account owner, List<Long> trees) throws IOException {
        List<Long> kilns = new ArrayList<>();
        for (LinkedHashMap<String, String> kiln :
                JSON.readValue(read("kilns"), new TypeReference<List<LinkedHashMap<String, String>>>() {})) {
            kilns.add(firings.kiln(owner, kiln));
        }
        long round = kilns.get(0);
        long shed = kilns.get(1);
        firings.program(
                owner,
                JSON.readValue(read("program-overnight"), new TypeReference<LinkedHashMap<String, String>>() {}));
        // yesterday's pour: the maple keys, fired through the night before
        Instant now = clock.instant();
        long keys = firings.firing(
                owner, shed, List.of(trees.get(3)), Map.of("name", "Maple keys", "pour_at", local(now, owner)));
        double whole = firings.minutes(owner, keys);
        Duration ago = Duration.ofMinutes(Math.round(whole) + 15 * 60);
        firings.started(owner, keys, ago, whole + 1);
        firings.ended(owner, keys, "poured");
        // in the kiln now, its drain tray an hour late
        long night = firings.firing(
                owner,
                round,
                List.of(trees.get(0), trees.get(1)),
                Map.of("name", "Fish and limpets", "pour_at", local(now.plus(Duration.ofHours(20)), owner)));
        double tray = firings.due(owner, night, "DRAIN_TRAY");
        firings.started(owner, night, Duration.ofMinutes(Math.round(tray) + 65), tray - 1);
        // planned: the wading bird is too large to dry in the same night
        firings.firing(
                owner,
                shed,
                List.of(trees.get(2)),
                Map.of("name", "Wading bird", "pour_at", withPourDay("{in 4 days}", owner) + "T10:30"));
    }

    private static String local(Instant at, Account owner) {
        return at.atZone(owner.zoneId())
                .toLocalDateTime()
                .withSecond(0)
                .withNano(0)
                .toString();
    }

    /** A piece with a model of our own making and a picture of it. */
    private long sculpted(Account owner, String piece, String file, byte[] stl, Color colour)
            throws IOException, Photo.Unusable {
        long id = pieces.take(owner, read("piece-" + piece), Optional.of(new PieceIntake.Mesh(file + ".stl", stl)));
        pieces.photo(owner, id, "on the bench", Portrait.of(stl, colour));
        return id;
    }

    /** Which part of a tree is this piece. */
    private void link(Account owner, long tree, String part, long piece) {
        plans.put(owner, tree, Stage.TREE, Map.of("parts[" + part + "].piece", Long.toString(piece)));
    }

    /** Two pieces in shell, at several coats; the room and its tanks. */
    private List<Long> shells(Account owner, long leg) throws IOException, PlanDocument.Unusable {
        shells.room(owner, JSON.readValue(read("room"), new TypeReference<LinkedHashMap<String, String>>() {}));
        double old = 30;
        for (LinkedHashMap<String, String> tank :
                JSON.readValue(read("tanks"), new TypeReference<List<LinkedHashMap<String, String>>>() {})) {
            shells.tank(owner, tank, old);
            old += 70;
        }
        List<Long> trees = new ArrayList<>();
        for (String plan : SHELLS) {
            trees.add(documents.take(owner, withPourDay(read(plan), owner)));
        }
        link(owner, trees.get(0), "4", leg);
        shells.shell(
                owner,
                trees.get(0),
                "long rack",
                List.of(
                        new ShellIntake.Laid(46, 18.5, 58, 0),
                        new ShellIntake.Laid(30, 19, 55, 1.2),
                        new ShellIntake.Laid(21, 18, 60, 0),
                        new ShellIntake.Laid(2.5, 20.5, 52, 3.3)));
        try {
            long tern = sculpted(owner, "tern", "tern", Sculptor.tern(), WAX);
            link(owner, trees.get(1), "4", tern);
            rubberAndWax.load(owner, tern);
        } catch (Photo.Unusable e) {
            throw new IOException(e);
        }
        List<ShellIntake.Laid> most = new ArrayList<>();
        for (int coat = 0; coat < 7; coat++) {
            most.add(new ShellIntake.Laid(96 - coat * 13.0, 19 + coat % 2, 54, coat == 4 ? 4.6 : 0));
        }
        shells.shell(owner, trees.get(1), "long rack", most);
        return trees;
    }

    /** Metal on the shelves, two furnaces; a pour of all that is of silicon bronze. */
    private void melting(Account owner, List<Long> molds) throws IOException {
        TypeReference<List<LinkedHashMap<String, String>>> lines = new TypeReference<>() {};
        JSON.readValue(read("metal"), lines).forEach(l -> melting.metal.take(owner, l));
        for (LinkedHashMap<String, String> m : JSON.readValue(read("melters"), lines)) {
            String kind = m.remove("kind");
            melting.melters.save(owner.studioId(), new MelterStore.Row(0, kind, m.get("name"), m, 0, 0));
        }
        LinkedHashMap<String, String> pour = new LinkedHashMap<>();
        pour.put("name", "Bird, leg and tern");
        pour.put("pour_at", withPourDay("{in 4 days}", owner) + "T10:30");
        long furnace = melting.melters.list(owner.studioId(), "furnace").get(1).id();
        long pot = melting.melters.list(owner.studioId(), "crucible").get(0).id();
        pour.put("furnace", Long.toString(furnace));
        pour.put("crucible", Long.toString(pot));
        melting.pours.pour(owner, pour, molds);
    }

    private static Optional<PieceIntake.Mesh> mesh() throws IOException {
        byte[] file = new ClassPathResource("demo/limpet.3mf").getContentAsByteArray();
        return Optional.of(new PieceIntake.Mesh("limpet.3mf", file));
    }

    private static String read(String plan) throws IOException {
        return new ClassPathResource("demo/" + plan + ".json").getContentAsString(StandardCharsets.UTF_8);
    }

    /** The pours of the demo lie two to four days ahead of the first start. */
    private String withPourDay(String document, Account owner) {
        ZonedDateTime today = clock.instant().atZone(owner.zoneId()).with(LocalTime.NOON);
        String text = document;
        for (int days = 2; days <= 5; days++) {
            text = text.replace(
                    "{in " + days + " days}", today.plusDays(days).toLocalDate().toString());
        }
        return text;
    }
}
