package kilnryu.app.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import kilnryu.app.blend.BlendFields;
import kilnryu.app.dipping.RoomFields;
import kilnryu.app.injection.InjectionFields;
import kilnryu.app.kiln.ProgramFields;
import kilnryu.app.melt.MeltFields;
import kilnryu.app.piece.PieceFields;
import kilnryu.app.plan.Stage;
import kilnryu.app.pot.PotFields;
import kilnryu.app.rubber.RubberFields;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.shell.RecipeFields;
import kilnryu.app.stock.StockFields;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.wax.WaxFields;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.test.web.servlet.MockMvc;

/** A field that is declared once stands on its pages, is carried along by the others, and is in the document's schema. */
@SpringBootTest
@AutoConfigureMockMvc
class DeclaredFieldsTest {
    private static final Map<Declared.Page, FieldList> SHEETS = Map.ofEntries(
            Map.entry(Declared.Page.PIECE, PieceFields.ALL),
            Map.entry(Declared.Page.METAL, MeltFields.LOT),
            Map.entry(Declared.Page.WAX, WaxFields.ALL),
            Map.entry(Declared.Page.RUBBER, RubberFields.ALL),
            Map.entry(Declared.Page.ROUND, InjectionFields.ALL),
            Map.entry(Declared.Page.POT, PotFields.ALL),
            Map.entry(Declared.Page.STOCK, StockFields.ALL),
            Map.entry(Declared.Page.BLEND, BlendFields.ALL),
            Map.entry(Declared.Page.ROOM, RoomFields.ALL),
            Map.entry(Declared.Page.OWN_PROGRAM, ProgramFields.OWN),
            Map.entry(Declared.Page.RECIPE, RecipeFields.ALL));
    private static final Pattern NAME = Pattern.compile("name=\"([^\"]+)\"");

    @Autowired
    MockMvc mvc;

    @Autowired
    AccountStore accounts;

    @Autowired
    TreeStore trees;

    @Autowired
    SheetStore sheets;

    @Autowired
    DemoLoader demo;

    private Account owner;

    @BeforeEach
    void studio() {
        owner = accounts.createWithStudio(new AccountStore.NewOwner(
                "Mudflat Castings", "Europe/Lisbon", "fields" + UUID.randomUUID(), "no password", "Demo", false));
    }

    private String page(String address) throws Exception {
        var answer = mvc.perform(get(address)
                        .with(authentication(UsernamePasswordAuthenticationToken.authenticated(
                                owner, null, AuthorityUtils.createAuthorityList("ROLE_OWNER")))))
                .andReturn()
                .getResponse();
        assertThat(answer.getStatus()).as(address).isEqualTo(200);
        return answer.getContentAsString();
    }

    /** Something in every field of a stage. */
    private static Map<String, String> filled(Stage stage) {
        Map<String, String> filled = new LinkedHashMap<>();
        for (Declared field : stage.fields().all()) {
            filled.put(field.in("p1").path(), text(field));
        }
        return filled;
    }

    private static String text(Declared field) {
        if (field instanceof Declared.Choice<?> c) {
            return c.meanings().get(0).key();
        }
        if (field instanceof Declared.Quantity q) {
            return Double.toString(Math.min(q.range().most(), Math.max(q.range().least(), 20)));
        }
        return field instanceof Declared.Whole w ? Integer.toString(w.least()) : "words";
    }

    private Set<String> missing(long tree, String view, Map<String, String> filled) throws Exception {
        Matcher names = NAME.matcher(page("/trees/" + tree + "/" + view));
        Set<String> there = new TreeSet<>();
        while (names.find()) {
            there.add(names.group(1).replace("&#39;", "'"));
        }
        Set<String> missing = new TreeSet<>(filled.keySet());
        missing.removeAll(there);
        // each save asks for a new one
        missing.remove("change_note");
        return missing;
    }

    private long tree(Map<String, String> mold) {
        long tree = trees.create(owner.studioId(), "every field");
        for (Stage stage : Stage.values()) {
            Map<String, String> filled = filled(stage);
            if (stage == Stage.MOLD) {
                filled.putAll(mold);
            }
            sheets.save(tree, stage.key(), 0, filled, owner.id());
        }
        return tree;
    }

    @Test
    void everyPageSendsAllFieldsOfItsSheet() throws Exception {
        long tree = tree(Map.of());
        assertThat(missing(tree, "tree", filled(Stage.TREE))).isEmpty();
        assertThat(missing(tree, "gating", filled(Stage.TREE))).isEmpty();
        assertThat(missing(tree, "mold", filled(Stage.MOLD))).isEmpty();
        assertThat(missing(tree, "firing", filled(Stage.FIRING))).isEmpty();
    }

    /** The school of a flask's burnout was lost when the firing of a shell was saved, and the other way round. */
    @Test
    void theFiringOfAShellKeepsWhatWasChosenForAFlask() throws Exception {
        long tree = tree(Map.of("mold_kind", "shell"));
        assertThat(missing(tree, "firing", filled(Stage.FIRING))).isEmpty();
    }

    /** A sheet that is declared asks all that it declares: what its page does not ask cannot be typed, and would be lost. */
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "/pieces/new,PIECE",
        "/metal,METAL",
        "/waxes/0,WAX",
        "/rubber/0,RUBBER",
        "/waxes/rounds/0,ROUND",
        "/waxes/pots/0,POT",
        "/stock,STOCK",
        "/blends/new,BLEND"
    })
    void everySheetAsksWhatItDeclares(String address, Declared.Page on) throws Exception {
        Set<String> asked = new TreeSet<>();
        SHEETS.get(on).on(on).all().forEach(f -> asked.add(f.in("k1").path()));
        Matcher names = NAME.matcher(page(address));
        Set<String> there = new TreeSet<>();
        while (names.find()) {
            there.add(names.group(1));
        }
        assertThat(there).containsAll(asked);
    }

    @Test
    void whatIsExportedIsAsTheSchemaSays() throws Exception {
        JsonSchema schema =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(page("/api/plan-schema/1"));
        demo.load(owner);
        int seen = 0;
        for (TreeStore.Row row : trees.list(owner.studioId(), false, "", TreeStore.Sort.values()[0], 100)) {
            String document = page("/trees/" + row.id() + "/plan.json");
            assertThat(schema.validate(document, com.networknt.schema.InputFormat.JSON))
                    .as(row.name())
                    .isEmpty();
            seen++;
        }
        assertThat(seen).isGreaterThan(5);
        assertThat(schema.validate("{\"format\":\"kiln-ryu-plan\"}", com.networknt.schema.InputFormat.JSON))
                .isNotEmpty();
    }

    @Test
    void theSchemaKnowsEverySchoolOfBurnout() throws Exception {
        assertThat(page("/api/plan-schema/1"))
                .contains(List.of(kilnryu.core.burnout.BurnoutSchool.values()).stream()
                        .map(s -> "\"" + s.key() + "\"")
                        .toList());
    }

    @Test
    void theApiIsDescribedWithTheLimitsItReadsBy() throws Exception {
        String description = page("/api/openapi.json").replaceAll("\\s", "");
        assertThat(description)
                .contains(
                        "\"target_C\":{\"type\":\"number\",\"maximum\":1400.0,\"minimum\":0.0}",
                        "\"required\":[\"rate_K_h\",\"target_C\"]",
                        "#/components/schemas/BurnoutRequest",
                        "\"empty_to_700_min\"");
    }
}
