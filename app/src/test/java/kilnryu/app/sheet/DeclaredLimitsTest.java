package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import kilnryu.app.blend.BlendFields;
import kilnryu.app.diagnosis.DiagnoseFields;
import kilnryu.app.dipping.DipFields;
import kilnryu.app.dipping.RoomFields;
import kilnryu.app.dipping.TankFields;
import kilnryu.app.firing.FiringFields;
import kilnryu.app.injection.InjectionFields;
import kilnryu.app.kiln.FiredFields;
import kilnryu.app.kiln.KilnFields;
import kilnryu.app.kiln.ProgramFields;
import kilnryu.app.melt.MeltFields;
import kilnryu.app.melt.MelterFields;
import kilnryu.app.mold.BlockFields;
import kilnryu.app.mold.MoldFields;
import kilnryu.app.piece.PieceFields;
import kilnryu.app.pot.PotFields;
import kilnryu.app.pour.PourFields;
import kilnryu.app.rubber.RubberFields;
import kilnryu.app.sand.SandFields;
import kilnryu.app.shell.RecipeFields;
import kilnryu.app.shell.ShellFields;
import kilnryu.app.stock.StockFields;
import kilnryu.app.tree.TreeFields;
import kilnryu.app.wax.WaxFields;
import kilnryu.app.web.Units;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every field that is declared reads what it says that it bears, and has a word for what it does not. */
class DeclaredLimitsTest {
    static Stream<Declared> fields() {
        return Stream.of(
                        DipFields.FORMS.get("dip"),
                        DipFields.FORMS.get("coats"),
                        DipFields.FORMS.get("weigh"),
                        DipFields.FORMS.get("flaw"),
                        DipFields.FORMS.get("dewax"),
                        DipFields.FORMS.get("look"),
                        TreeFields.ALL,
                        MoldFields.ALL,
                        MoldFields.QUESTION,
                        BlockFields.QUESTION,
                        ShellFields.QUESTION,
                        FiringFields.ALL,
                        FiredFields.BURNOUT,
                        FiredFields.PROGRAM,
                        FiredFields.CARRY,
                        KilnFields.ALL,
                        TankFields.ALL,
                        TankFields.DIARY,
                        SandFields.ALL,
                        SandFields.LOG,
                        MelterFields.OF_FURNACE,
                        MelterFields.OF_CRUCIBLE,
                        PieceFields.ALL,
                        MeltFields.LOT,
                        MeltFields.DIARY,
                        MeltFields.CHARGE,
                        MeltFields.MELT,
                        WaxFields.ALL,
                        WaxFields.SLUSH,
                        RubberFields.ALL,
                        RubberFields.QUESTION,
                        InjectionFields.ALL,
                        PotFields.ALL,
                        StockFields.ALL,
                        BlendFields.ALL,
                        BlendFields.TRIAL,
                        DiagnoseFields.QUESTION,
                        PourFields.ALL,
                        RoomFields.ALL,
                        ProgramFields.OWN,
                        RecipeFields.ALL)
                .flatMap(list -> list.all().stream())
                .map(field -> field.in("p1").in("0"));
    }

    private static <D extends Declared> Stream<D> of(Class<D> kind) {
        return fields().filter(kind::isInstance).map(kind::cast);
    }

    static Stream<Declared.Quantity> quantities() {
        return of(Declared.Quantity.class);
    }

    static Stream<Declared.Whole> counts() {
        return of(Declared.Whole.class);
    }

    static Stream<Declared.Text> words() {
        return of(Declared.Text.class);
    }

    static Stream<Declared.Choice<?>> choices() {
        return fields().filter(Declared.Choice.class::isInstance).map(f -> (Declared.Choice<?>) f);
    }

    private static Fields typed(Declared field, String text) {
        return Fields.typed(Map.of(field.path(), text), Units.METRIC);
    }

    private static String with(Declared.Quantity field, double value) {
        return new java.math.BigDecimal(Double.toString(value)).toPlainString() + " "
                + field.range().unit().symbol();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("quantities")
    void aQuantityBearsItsEndsAndNothingBeyond(Declared.Quantity field) {
        Range range = field.range();
        for (double value : new double[] {range.least(), range.most()}) {
            Fields read = typed(field, with(field, value));
            assertThat(read.quantity(field)).as(with(field, value)).hasValue(value);
            assertThat(read.hasErrors()).isFalse();
        }
        double wide = range.most() - range.least();
        for (double value : new double[] {range.most() + wide / 50, range.least() - wide / 50}) {
            Fields read = typed(field, with(field, value));
            assertThat(read.quantity(field)).isEmpty();
            assertThat(read.errors()).containsOnlyKeys(field.path());
            assertThat(read.errors().get(field.path())).startsWith("This ");
            assertThat(read.written().get(field.path()))
                    .as("what was typed stays")
                    .isEqualTo(with(field, value));
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("quantities")
    void aWordIsNoQuantity(Declared.Quantity field) {
        Fields read = typed(field, "much");
        assertThat(read.quantity(field)).isEmpty();
        assertThat(read.errors()).containsOnlyKeys(field.path());
    }

    /** The API sends numbers: a quantity that comes as a word is refused with the unit that is meant. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("quantities")
    void aNumberThatCameAsAWordIsRefused(Declared.Quantity field) {
        Fields read = new Fields(Map.of(field.path(), "12"), Set.of(field.path()), Units.METRIC);
        assertThat(read.quantity(field)).isEmpty();
        assertThat(read.errors().get(field.path())).contains("not a word");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("counts")
    void aCountIsWholeAndWithinItsEnds(Declared.Whole field) {
        assertThat(typed(field, Integer.toString(field.least())).whole(field)).hasValue(field.least());
        assertThat(typed(field, Integer.toString(field.most())).whole(field)).hasValue(field.most());
        for (String wrong : List.of(
                Integer.toString(field.most() + 1),
                Integer.toString(field.least() - 1),
                field.least() + ".5",
                "some")) {
            Fields read = typed(field, wrong);
            assertThat(read.whole(field)).as(wrong).isEmpty();
            assertThat(read.errors()).containsOnlyKeys(field.path());
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("words")
    void wordsAreNotLongerThanTheyMayBe(Declared.Text field) {
        String longest = "w".repeat(field.longest());
        assertThat(typed(field, longest).text(field)).contains(longest);
        Fields read = typed(field, longest + "w");
        assertThat(read.text(field)).isEmpty();
        assertThat(read.errors().get(field.path())).contains("At most " + field.longest());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("choices")
    void aChoiceKnowsEachOfItsWordsAndNoOther(Declared.Choice<?> field) {
        Map<String, Object> meant = new HashMap<>();
        for (Declared.Meaning<?> meaning : field.meanings()) {
            Fields read = typed(field, meaning.key());
            assertThat(read.choice(field)).as(meaning.key()).isPresent();
            assertThat(meaning.label()).isNotBlank();
            assertThat(meant.put(meaning.key(), meaning.value()))
                    .as("said twice: " + meaning.key())
                    .isNull();
        }
        Fields read = typed(field, "no such word");
        assertThat(read.choice(field)).isEmpty();
        assertThat(read.errors().get(field.path())).contains("no such word", "not known here");
    }

    static Stream<Declared.Day> days() {
        return of(Declared.Day.class);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("days")
    void aDayIsWrittenOneWay(Declared.Day field) {
        assertThat(typed(field, "2026-02-28").day(field)).contains(LocalDate.of(2026, 2, 28));
        assertThat(typed(field, "").day(field)).isEmpty();
        for (String wrong : List.of("2026-02-30", "28.2.2026", "Tuesday")) {
            Fields read = typed(field, wrong);
            assertThat(read.day(field)).as(wrong).isEmpty();
            assertThat(read.errors()).containsEntry(field.path(), "Write the day as 2026-03-31.");
        }
    }

    static Stream<Declared.Flag> flags() {
        return of(Declared.Flag.class);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("flags")
    void yesAndNoAsAProgramSaysThem(Declared.Flag field) {
        for (String yes : List.of("true", "yes")) {
            assertThat(typed(field, yes).flag(field)).as(yes).contains(true);
        }
        for (String no : List.of("false", "no")) {
            assertThat(typed(field, no).flag(field)).as(no).contains(false);
        }
        Fields read = typed(field, "perhaps");
        assertThat(read.flag(field)).isEmpty();
        assertThat(read.errors()).containsOnlyKeys(field.path());
    }

    /** What is only looked at is found wrong as what is reckoned with. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("fields")
    void whatIsLookedAtIsReadByItsKind(Declared field) {
        Fields read = typed(field, "\u0007".repeat(5000));
        read.look(field);
        assertThat(read.errors()).containsOnlyKeys(field.path());
        assertThat(read.unknown()).isEmpty();
    }

    /** What stands on a page has words of its own there; what is only asked by the API has none. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("fields")
    void whatAPageAsksHasALabelOrIsHidden(Declared field) {
        boolean hidden = field.path().equals("flask_name");
        if (!field.asks().pages().isEmpty() && !hidden) {
            assertThat(field.asks().label()).isNotBlank();
        }
        if (field.asks().pages().isEmpty()) {
            assertThat(field.asks().label()).isEmpty();
        }
    }
}
