package kilnryu.app.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.StudioFlask;
import org.junit.jupiter.api.Test;

/** Molds as pictures: what a tap fills in, and that all are drawn to the scale they are asked for. */
class ChoicesTest {
    private static StudioFlask flask(Optional<Double> other, double dome, boolean perforated) {
        return new StudioFlask("k1", "three inch", 76.2, other, 127, 2, perforated, 4, dome);
    }

    @Test
    void aTapFillsTheMeasuresOfTheFlask() {
        Map<String, String> fields = Choices.fields(flask(Optional.of(50.0), 14, true));
        assertThat(fields)
                .containsEntry("mold_kind", "flask")
                .containsEntry("flask_name", "three inch")
                .containsEntry("inner_diameter_mm", "76.2 mm")
                .containsEntry("other_diameter_mm", "50 mm")
                .containsEntry("height_mm", "127 mm")
                .containsEntry("base_volume_cm3", "14 cm³")
                .containsEntry("steel", "perforated");
    }

    @Test
    void aRoundFlaskTakesTheOvalOfAnEarlierOneAway() {
        assertThat(Choices.fields(flask(Optional.empty(), 0, false)))
                .containsEntry("other_diameter_mm", "")
                .containsEntry("base_volume_cm3", "")
                .containsEntry("steel", "solid");
    }

    /** 120 by 200 mm at a quarter of a unit: 30 by 50. */
    @Test
    void aBlockIsDrawnToScale() {
        String svg = FitDrawing.block(120, 200, new Fit.Stand(60, 60, 110, 0, 0, 1), Optional.empty(), 0.25);
        assertThat(svg).contains("width=\"30.0\"", "height=\"50.0\"");
        assertThat(FitDrawing.block(240, 400, new Fit.Stand(60, 60, 110, 0, 0, 1), Optional.empty(), 0.25))
                .contains("width=\"60.0\"", "height=\"100.0\"");
    }

    @Test
    void aShellIsDrawnRoundItsTree() {
        String svg = FitDrawing.shell(new Fit.Stand(60, 60, 110, 0, 0, 1), Optional.empty(), 0.5);
        assertThat(svg).startsWith("<svg").contains("aria-label").doesNotContain("NaN");
    }
}
