package kilnryu.app.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
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
import kilnryu.app.load.FiringIntake;
import kilnryu.app.piece.PieceIntake;
import kilnryu.app.plan.DocumentController;
import kilnryu.app.plan.PlanDocument;
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
    private static final List<String> PIECES = List.of("maple-key", "heron", "limpet");
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final AccountStore accounts;
    private final PieceIntake pieces;
    private final EquipmentStore equipment;
    private final SchoolStore schools;
    private final BlendStore blends;
    private final ShellIntake shells;
    private final FiringIntake firings;
    private final DocumentController documents;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final boolean wanted;

    DemoLoader(
            AccountStore accounts,
            DocumentController documents,
            PieceIntake pieces,
            EquipmentStore equipment,
            SchoolStore schools,
            BlendStore blends,
            ShellIntake shells,
            FiringIntake firings,
            PasswordEncoder passwords,
            Clock clock,
            @Value("${kilnryu.demo}") boolean wanted) {
        this.accounts = accounts;
        this.documents = documents;
        this.pieces = pieces;
        this.equipment = equipment;
        this.schools = schools;
        this.blends = blends;
        this.shells = shells;
        this.firings = firings;
        this.passwords = passwords;
        this.clock = clock;
        this.wanted = wanted;
    }

    /** All of it or nothing: a start that is cut short leaves no half of a studio. */
    @Override
    @Transactional(rollbackFor = Exception.class)
    public void run(ApplicationArguments arguments) throws IOException, PlanDocument.Unusable {
        if (!wanted) {
            return;
        }
        Optional<Account> owner = accounts.createFirst(new AccountStore.NewOwner(
                "Saltmarsh Casting", "Europe/Lisbon", "demo", passwords.encode("estuary"), "Demo", true));
        if (owner.isPresent()) {
            List<Long> trees = new ArrayList<>();
            for (String plan : PLANS) {
                trees.add(documents.take(owner.get(), withPourDay(read(plan), owner.get())));
            }
            firings(owner.get(), trees);
            for (String piece : PIECES) {
                pieces.take(owner.get(), read("piece-" + piece), piece.equals("limpet") ? mesh() : Optional.empty());
            }
            equipment.save(
                    owner.get().studioId(),
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
                long id = blends.create(owner.get().studioId(), fields.get("name"), fields);
                if (!trial.isEmpty()) {
                    blends.keepTrial(
                            owner.get(), blends.find(owner.get().studioId(), id).orElseThrow(), trial);
                }
            }
            schools.copy(
                    owner.get(),
                    Craft.GATING,
                    "Thin leaves",
                    GatingSchool.FREE_TREE.key(),
                    JSON.readValue(read("school-leaves"), new TypeReference<LinkedHashMap<String, String>>() {}));
            shells(owner.get());
            LOG.info("demo studio loaded");
        }
    }

    /** Two kilns, a program of the studio's own, and a night with three flasks. */
    private void firings(Account owner, List<Long> trees) throws IOException {
        long round = 0;
        for (LinkedHashMap<String, String> kiln :
                JSON.readValue(read("kilns"), new TypeReference<List<LinkedHashMap<String, String>>>() {})) {
            long id = firings.kiln(owner, kiln);
            round = round == 0 ? id : round;
        }
        firings.program(
                owner,
                JSON.readValue(read("program-overnight"), new TypeReference<LinkedHashMap<String, String>>() {}));
        String pour = withPourDay("{in 3 days}", owner) + "T10:30";
        // the wading bird is too large to dry in the same night
        List<Long> small = List.of(trees.get(0), trees.get(1), trees.get(3));
        firings.firing(owner, round, small, Map.of("name", "Thursday night", "pour_at", pour));
    }

    /** Two pieces in shell, one of them half dipped; the room and its tanks. */
    private void shells(Account owner) throws IOException, PlanDocument.Unusable {
        shells.room(owner, JSON.readValue(read("room"), new TypeReference<LinkedHashMap<String, String>>() {}));
        double old = 30;
        for (LinkedHashMap<String, String> tank :
                JSON.readValue(read("tanks"), new TypeReference<List<LinkedHashMap<String, String>>>() {})) {
            shells.tank(owner, tank, old);
            old += 70;
        }
        long first = 0;
        for (String plan : SHELLS) {
            long id = documents.take(owner, withPourDay(read(plan), owner));
            first = first == 0 ? id : first;
        }
        shells.shell(
                owner,
                first,
                "long rack",
                List.of(
                        new ShellIntake.Laid(46, 18.5, 58, 0),
                        new ShellIntake.Laid(30, 19, 55, 1.2),
                        new ShellIntake.Laid(21, 18, 60, 0),
                        new ShellIntake.Laid(2.5, 20.5, 52, 3.3)));
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
