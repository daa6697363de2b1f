package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LayoutNamesTest {
    @ParameterizedTest
    @EnumSource(Layout.class)
    void layoutsHaveNames(Layout layout) {
        assertThat(Layout.named(layout.key())).hasValue(layout);
        assertThat(Layout.named(layout.key() + "-")).isEmpty();
        assertThat(layout.label()).isNotBlank();
    }
}
