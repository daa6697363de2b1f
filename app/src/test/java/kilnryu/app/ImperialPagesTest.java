package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A studio in ounces, inches and Fahrenheit reads them everywhere: stream, findings, figures, drawings. */
class ImperialPagesTest extends AppTest {
    private Account inches;

    @BeforeEach
    void inInches() {
        inches = owner.withUnits(new Units(Units.System.IMPERIAL, false));
    }

    /** 100 x 150 mm are 3.937 x 5.906 in; 96 g of injection wax 0.96 are 100 cm3, 6.10 in3. */
    @Test
    void streamAndDrawing() throws Exception {
        long tree = tree(inches, WAX);
        Map<String, String> flask = new HashMap<>(FLASK);
        flask.put("inner_diameter_mm", "100 mm");
        flask.put("height_mm", "150 mm");
        flask.put("tree_width_mm", "70 mm");
        flask.put("tree_height_mm", "110 mm");
        assertThat(send(inches, "/trees/" + tree + "/mold", flask).getStatus()).isEqualTo(302);
        String mold = page(inches, "/trees/" + tree + "/mold");
        assertThat(mold)
                .contains("<span>3.937 × 5.906 in</span>", "in³</span>", "3.937 in inside")
                .doesNotContain("<span>100 × 150 mm</span>");
    }

    /** Too wide by 20 mm: the sentence is in inches. */
    @Test
    void findings() throws Exception {
        long tree = tree(inches, WAX);
        Map<String, String> flask = new HashMap<>(FLASK);
        flask.put("inner_diameter_mm", "100 mm");
        flask.put("height_mm", "150 mm");
        flask.put("tree_width_mm", "120 mm");
        flask.put("tree_height_mm", "110 mm");
        send(inches, "/trees/" + tree + "/mold", flask);
        assertThat(page(inches, "/trees/" + tree + "/mold"))
                .containsPattern("does not go in: 0\\.\\d+ in too wide")
                .doesNotContainPattern("does not go in: [\\d.]+ mm");
        assertThat(page(inches, "/trees/" + tree + "/bench")).containsPattern("does not go in: 0\\.\\d+ in too wide");
    }

    /** Over a pound it is pounds and ounces, one figure. */
    @Test
    void poundsAndOuncesAreOneFigure() throws Exception {
        Map<String, String> heavy = new HashMap<>(WAX);
        heavy.put("parts[a].mass_g", "960 g");
        long tree = tree(inches, heavy);
        // 1000 cm3 of silicon bronze, some 8.4 kg: 18 lb and some ounces
        assertThat(page(inches, "/trees/" + tree + "/tree")).containsPattern("<b>18 lb \\d+\\.\\d oz</b>");
    }
}
