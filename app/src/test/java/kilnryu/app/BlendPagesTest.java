package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** Blends, their trials, and blocks made of them. */
class BlendPagesTest extends AppTest {

    private static Map<String, String> half() {
        Map<String, String> half = new LinkedHashMap<>();
        half.put("version", "0");
        half.put("name", "Half and half");
        half.put("water_per_100", "55");
        half.put("parts[k1].ingredient", "plaster");
        half.put("parts[k1].share_pct", "50");
        half.put("parts[k2].ingredient", "silica-flour");
        half.put("parts[k2].share_pct", "50");
        half.put("parts[k3].ingredient", "");
        return half;
    }

    private long blend(Map<String, String> fields) throws Exception {
        String to = send(owner, "/blends/0", fields).getRedirectedUrl();
        return Long.parseLong(to.replaceAll("\\D+(\\d+).*", "$1"));
    }

    @Test
    void aBlendIsReckonedAndKept() throws Exception {
        long id = blend(half());
        // 100 / (50 / 2.73 + 50 / 2.65) = 2.689; (37.183 + 55) * 10 = 922 cm3
        assertThat(page(owner, "/blends/" + id)).contains("Half and half", "2.69", "922", "in all");
        assertThat(page(owner, "/blends")).contains("2.689 g/cm³ · W/P 55", "50 % plaster, hemihydrate");
    }

    @Test
    void sharesThatMissAPartOfTheWholeAreSaid() throws Exception {
        Map<String, String> short06 = half();
        short06.put("parts[k2].share_pct", "49.4");
        String tried = send(owner, "/blends/0/try", short06).getContentAsString();
        assertThat(tried).contains("99.4 %", "0.6 % is missing");
        MockHttpServletResponse saved = send(owner, "/blends/0", short06);
        assertThat(saved.getStatus()).isEqualTo(422);
        assertThat(saved.getContentAsString()).contains("value=\"49.4\"");
    }

    @Test
    void anOwnIngredientAsksForItsDensity() throws Exception {
        Map<String, String> own = half();
        own.put("parts[k2].ingredient", "");
        own.put("parts[k2].name", "crushed shell");
        MockHttpServletResponse asked = send(owner, "/blends/0", own);
        assertThat(asked.getContentAsString()).contains("Give its true density, g/cm³.");
        own.put("parts[k2].density", "2.7");
        assertThat(send(owner, "/blends/0", own).getStatus()).isEqualTo(302);
        own.put("parts[k2].density", "zero");
        assertThat(send(owner, "/blends/0", own).getStatus()).isEqualTo(422);
    }

    private int trial(long id, Map<String, String> fields, byte[] photo) throws Exception {
        var request = multipart("/blends/" + id + "/trials")
                .file(new MockMultipartFile("photo", "face.png", "image/png", photo));
        fields.forEach(request::param);
        return mvc.perform(request.with(as(owner)).with(csrf()))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void trialsStandSideBySideAsTheBlendWasThen() throws Exception {
        long id = blend(half());
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), "png", png);
        assertThat(trial(id, Map.of("outcome", "cracked", "cure_h", "12 h", "top_C", "650"), png.toByteArray()))
                .isEqualTo(302);
        Map<String, String> wetter = half();
        wetter.put("version", "1");
        wetter.put("water_per_100", "50");
        send(owner, "/blends/" + id, wetter);
        assertThat(trial(id, Map.of("outcome", "held", "cure_h", "30 h"), new byte[0]))
                .isEqualTo(302);
        assertThat(page(owner, "/blends"))
                .contains("side by side", "cracked", "held", "<td>55</td>", "<td>50</td>", "<img class=\"thumb\"");
        assertThat(trial(id, Map.of("cure_h", "soon"), new byte[0])).isEqualTo(422);
    }

    @Test
    void aTrialTakenOffCanBePutBack() throws Exception {
        long id = blend(half());
        trial(id, Map.of("outcome", "spalled"), new byte[0]);
        String number = page(owner, "/blends").replaceAll("(?s).*/blends/trials/(\\d+)/remove.*", "$1");
        send(owner, "/blends/trials/" + number + "/remove", Map.of());
        assertThat(page(owner, "/blends")).doesNotContain("spalled");
        send(owner, "/blends/trials/" + number + "/restore", Map.of());
        assertThat(page(owner, "/blends")).contains("spalled");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(send(stranger, "/blends/trials/" + number + "/remove", Map.of())
                        .getStatus())
                .isEqualTo(404);
        assertThat(read(stranger, "/blends/" + id).getStatus()).isEqualTo(404);
    }

    private long block(String mix, Map<String, String> more) throws Exception {
        long id = tree(owner, WAX);
        Map<String, String> mold = new HashMap<>(Map.of("version", "0", "mold_kind", "block"));
        mold.put("tree_width_mm", "100");
        mold.put("tree_height_mm", "200");
        mold.put("block.fine.mix", mix);
        mold.put("block.area_cm2", "600");
        mold.putAll(more);
        assertThat(send(owner, "/trees/" + id + "/mold", mold).getStatus()).isEqualTo(302);
        return id;
    }

    /** Wall 40, so 180 across and 240 high: pi / 4 * 18^2 * 24 = 6107 cm3. */
    @Test
    void aBlockIsPlannedOfTheStudiosOwnBlend() throws Exception {
        long id = block("blend-" + blend(half()), Map.of());
        String page = page(owner, "/trees/" + id + "/mold");
        assertThat(page).contains("6107", "Section of the block", "180 mm × 180 mm", "Half and half (the studio");
        assertThat(page(owner, "/trees/" + id + "/firing"))
                .contains("the last mold is dry at the middle", "30 K/h", "carbon");
        assertThat(page(owner, "/trees")).contains("block");
        assertThat(page(owner, "/trees/" + id + "/card")).contains("backup powder");
    }

    @Test
    void aBlockIsMixedInTwoGoes() throws Exception {
        long id = block("plaster-silica", Map.of("block.core.length_mm", "150", "block.core.diameter_mm", "40"));
        assertThat(page(owner, "/trees/" + id + "/mold")).contains("6 chaplets, three on each of 2 levels");
        send(owner, "/trees/" + id + "/bench/start", Map.of());
        assertThat(page(owner, "/trees/" + id + "/bench")).contains("Pattern degreased and dry");
        send(owner, "/trees/" + id + "/bench/next", Map.of("step", "0"));
        assertThat(page(owner, "/trees/" + id + "/bench")).contains("Weigh the water, face coat");
    }

    @Test
    void ironIsNeverPouredIntoABlockOfPlaster() throws Exception {
        long id = block("plaster-silica", Map.of());
        Map<String, String> iron = new HashMap<>(WAX);
        iron.put("version", "1");
        iron.put("alloy", "iron");
        send(owner, "/trees/" + id + "/tree", iron);
        assertThat(page(owner, "/trees/" + id + "/bench")).contains("must never be poured", "Nobody can overrule");
    }

    @Test
    void aBlocksPlanComesBackTheSame() throws Exception {
        long id = block("blend-" + blend(half()), Map.of());
        String document = page(owner, "/trees/" + id + "/plan.json");
        assertThat(document).doesNotContain("blend-").contains("\"plaster_pct\" : 50.0");
        Account stranger = Studio.owner(accounts, passwords);
        String to = mvc.perform(multipart("/trees/import")
                        .file(new MockMultipartFile(
                                "document",
                                "plan.json",
                                "application/json",
                                document.getBytes(java.nio.charset.StandardCharsets.UTF_8)))
                        .with(as(stranger))
                        .with(csrf()))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        assertThat(to).contains("imported");
        assertThat(page(stranger, to.replace("/tree?imported", "/mold"))).contains("6107", "Section of the block");
    }

    @Test
    void aBlockThatCannotBeIsRefusedAtItsField() throws Exception {
        long id = tree(owner, WAX);
        Map<String, String> mold = new HashMap<>(Map.of("version", "0", "mold_kind", "block"));
        assertThat(send(owner, "/trees/" + id + "/mold", mold).getContentAsString())
                .contains("Choose what it is mixed of");
        mold.put("block.fine.mix", "blend-999999");
        assertThat(send(owner, "/trees/" + id + "/mold", mold).getContentAsString())
                .contains("is not known here");
        mold.put("block.fine.mix", "plaster-silica");
        mold.put("block.area_cm2", "90000");
        assertThat(send(owner, "/trees/" + id + "/mold", mold).getContentAsString())
                .contains("nothing is left for the backup");
    }

    /**
     * Three scoops of plaster and two of sand: 3 x 0.9 to 2 x 1.55 g/cm3 loose, 46.55 % plaster; by weight 60 %. The words fill
     * the rows and say how they are meant.
     */
    @Test
    void aRecipeIsTakenOverAsItIsTold() throws Exception {
        Map<String, String> told = new LinkedHashMap<>(Map.of("version", "0", "name", "Scoops", "water_per_100", "55"));
        told.put("recipe", "3 plaster, 2 sand by volume");
        String rows = send(owner, "/blends/0/recipe", told).getContentAsString();
        assertThat(rows)
                .containsPattern("value=\"volume\" selected")
                .containsPattern("parts\\[k1\\].share_pct[^>]*value=\"3\"|value=\"3\"[^>]*parts\\[k1\\].share_pct")
                .contains("By mass: 46.55", "53.44");
        told.put("told", "weight");
        told.put("parts[k1].ingredient", "plaster");
        told.put("parts[k1].share_pct", "3");
        told.put("parts[k2].ingredient", "silica-sand");
        told.put("parts[k2].share_pct", "2");
        long id = blend(told);
        assertThat(page(owner, "/blends/" + id)).contains("By mass: 60 % plaster, hemihydrate, 40 % silica sand");
        told.put("recipe", "a bit of this");
        assertThat(send(owner, "/blends/0/recipe", told).getContentAsString()).contains("Write amounts and what of");
    }

    @Test
    void aBlendIsCopied() throws Exception {
        long id = blend(half());
        Account stranger = Studio.owner(accounts, passwords);
        String to = send(owner, "/blends/" + id + "/copy", Map.of()).getRedirectedUrl();
        assertThat(page(owner, to)).contains("Copy of Half and half", "2.69");
        assertThat(send(stranger, "/blends/" + id + "/copy", Map.of()).getStatus())
                .isEqualTo(404);
    }

    /** Crumbled at 650 C, a block burnt out at 710 is stopped by it; once it has held at 700, it is not. */
    @Test
    void aTrialThatFailedAtThatHeatStopsTheBlock() throws Exception {
        long id = blend(half());
        assertThat(page(owner, block(id))).doesNotContain("its trial of");
        send(owner, "/blends/" + id + "/trials", Map.of("outcome", "crumbled", "top_C", "650 °C"));
        String stopped = page(owner, block(id));
        assertThat(stopped).contains("Half and half: its trial of", "crumbled at 650 °C");
        send(owner, "/blends/" + id + "/trials", Map.of("outcome", "held", "top_C", "700 °C"));
        assertThat(page(owner, block(id))).doesNotContain("its trial of");
    }

    private String block(long blend) throws Exception {
        long tree = tree(owner, WAX);
        Map<String, String> mold = new HashMap<>(Map.of("version", "0", "mold_kind", "block"));
        mold.put("block.fine.mix", "blend-" + blend);
        mold.put("tree_width_mm", "60");
        mold.put("tree_height_mm", "100");
        send(owner, "/trees/" + tree + "/mold", mold);
        return "/trees/" + tree + "/mold";
    }
}
