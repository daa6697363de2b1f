package kilnryu.app.breakout;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.breakout.BreakOutCourse.Stage;
import kilnryu.app.breakout.BreakOutCourse.Verdict;
import kilnryu.core.breakout.SizePair;
import kilnryu.core.diagnosis.Defect;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What was tapped at the wash bench, read again from its first tap on, stands as it stood. */
class BreakOutCourseTest {
    private final List<BreakOutStore.Event> events = new ArrayList<>();

    private static Tile tile(int number) {
        return new Tile(number, "limpet", "M0,0 L1,1 Z", new Tile.Point(0.5, 0), new Tile.Point(0.5, 1), 40.0, false);
    }

    static List<Tile> tiles(int count) {
        List<Tile> tiles = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            tiles.add(tile(i));
        }
        return tiles;
    }

    private long tap(Integer casting, String kind, String... fields) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            map.put(fields[i], fields[i + 1]);
        }
        long id = events.size() + 1L;
        events.add(new BreakOutStore.Event(id, "tap" + id, casting, kind, map, Instant.EPOCH.plusSeconds(id), "Ines"));
        return id;
    }

    private BreakOutCourse course(int castings) {
        return BreakOutCourse.of(tiles(castings), events);
    }

    @Test
    void nothingTappedIsNothingSeen() {
        BreakOutCourse course = course(3);
        assertThat(course.count(Verdict.UNSEEN)).isEqualTo(3);
        assertThat(course.allSeen()).isFalse();
        assertThat(course.stage()).isEqualTo(Stage.BEFORE);
        assertThat(course.mass("castings")).isEmpty();
        assertThat(course.facts()).isEmpty();
        assertThat(course.cause()).isEmpty();
        assertThat(course.booked()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"UNSEEN, GOOD", "GOOD, MEND", "MEND, SCRAP", "SCRAP, UNSEEN"})
    void theNextTapGoesRound(Verdict now, Verdict next) {
        assertThat(now.next()).isEqualTo(next);
    }

    @ParameterizedTest
    @EnumSource(Verdict.class)
    void aVerdictIsFoundByItsKeyAndHasItsOwnMark(Verdict verdict) {
        assertThat(Verdict.named(verdict.key())).contains(verdict);
        assertThat(verdict.label()).isNotBlank();
        assertThat(verdict.mark()).isIn("note", "good", "warn", "stop");
        assertThat(Verdict.named("GOODISH")).isEmpty();
    }

    @Test
    void theLastTapHolds() {
        tap(1, "good");
        tap(1, "mend");
        tap(1, "scrap");
        tap(2, "scrap");
        tap(2, "unseen");
        BreakOutCourse course = course(2);
        assertThat(course.casting(1).orElseThrow().verdict()).isEqualTo(Verdict.SCRAP);
        assertThat(course.casting(2).orElseThrow().verdict()).isEqualTo(Verdict.UNSEEN);
        assertThat(course.casting(3)).isEmpty();
    }

    /** All good leaves alone what was judged one by one. */
    @Test
    void theRestIsGood() {
        tap(2, "scrap");
        tap(null, "all-good");
        BreakOutCourse course = course(4);
        assertThat(course.count(Verdict.GOOD)).isEqualTo(3);
        assertThat(course.count(Verdict.SCRAP)).isOne();
        assertThat(course.allSeen()).isTrue();
    }

    /** What blasting uncovers is a second look; the first one stays readable. */
    @Test
    void afterBlastingItIsLookedAtAgain() {
        tap(1, "good");
        tap(2, "mend");
        tap(null, "blasted");
        tap(1, "scrap");
        BreakOutCourse course = course(2);
        BreakOutCourse.Casting one = course.casting(1).orElseThrow();
        assertThat(course.stage()).isEqualTo(Stage.AFTER);
        assertThat(one.first()).isEqualTo(Verdict.GOOD);
        assertThat(one.verdict()).isEqualTo(Verdict.SCRAP);
        // not looked at again: as it was before
        BreakOutCourse.Casting two = course.casting(2).orElseThrow();
        assertThat(two.at(Stage.AFTER)).isEqualTo(Verdict.UNSEEN);
        assertThat(two.verdict()).isEqualTo(Verdict.MEND);
        tap(null, "unblasted");
        tap(1, "mend");
        assertThat(course(2).casting(1).orElseThrow().first()).isEqualTo(Verdict.MEND);
        assertThat(course(2).casting(1).orElseThrow().verdict()).isEqualTo(Verdict.SCRAP);
    }

    @Test
    void aPinKeepsPlaceExtentAndWhoSetIt() {
        long pin = tap(
                1,
                "pin",
                "defect",
                "misrun",
                "x",
                "0.25",
                "y",
                "0.75",
                "places",
                "thin,far-end,nowhere",
                "bad",
                "bad",
                "extent",
                "4 mm",
                "photo",
                "17");
        BreakOutCourse.Pin kept = course(1).casting(1).orElseThrow().pins().get(0);
        assertThat(kept.id()).isEqualTo(pin);
        assertThat(kept.kind()).isEqualTo(DefectKind.MISRUN);
        assertThat(kept.at()).isEqualTo(new Tile.Point(0.25, 0.75));
        assertThat(kept.places()).containsExactlyInAnyOrder(Place.THIN, Place.FAR_END);
        assertThat(kept.bad()).contains(Defect.Extent.BAD);
        assertThat(kept.extent()).isEqualTo("4 mm");
        assertThat(kept.photo()).contains(17L);
        assertThat(kept.by()).isEqualTo("Ines");
        assertThat(kept.stage()).isEqualTo(Stage.BEFORE);
        tap(null, "unpin", "pin", Long.toString(pin));
        assertThat(course(1).casting(1).orElseThrow().pins()).isEmpty();
    }

    /** What an older or newer version may have written is passed over, and nothing falls. */
    @ParameterizedTest
    @ValueSource(strings = {"pin", "note", "refused", "of-next-year"})
    void whatCannotBeReadChangesNothing(String kind) {
        tap(1, "good");
        tap(9, kind, "defect", "misrun", "x", "0", "y", "0");
        tap(1, kind, "defect", "not-a-defect", "x", "0", "y", "0");
        BreakOutCourse course = course(1);
        assertThat(course.count(Verdict.GOOD)).isOne();
        assertThat(course.casting(1).orElseThrow().pins()).isEmpty();
    }

    /** 12.5 and 13.5 g on their own make 26 g; weighed together, that counts. */
    @Test
    void massesOfTheCastings() {
        tap(1, "mass", "grams", "12.5");
        assertThat(course(2).mass("castings")).isEmpty();
        tap(2, "mass", "grams", "13.5");
        assertThat(course(2).mass("castings")).hasValue(26);
        tap(null, "mass", "what", "castings", "grams", "25.9");
        tap(null, "mass", "what", "cast", "grams", "40");
        assertThat(course(2).mass("castings")).hasValue(25.9);
        assertThat(course(2).mass("cast")).hasValue(40);
        assertThat(course(2).mass("gating")).isEmpty();
        assertThat(course(2).casting(1).orElseThrow().grams()).hasValue(12.5);
    }

    @Test
    void anAnswerCanBeTakenBack() {
        tap(null, "fact", "fact", "button", "value", "sunken");
        tap(null, "fact", "fact", "gasket", "value", "torn");
        tap(null, "fact", "fact", "of-the-moon", "value", "full");
        assertThat(course(1).facts())
                .containsOnly(Map.entry(FactKey.BUTTON, "sunken"), Map.entry(FactKey.GASKET, "torn"));
        tap(null, "fact", "fact", "button", "value", "");
        assertThat(course(1).facts()).containsOnlyKeys(FactKey.GASKET);
    }

    @Test
    void sizesAndPhotos() {
        long size = tap(
                1, "size", "place", "across the rim", "way", "bore", "pattern", "26", "casting", "25.6", "hot", "yes");
        tap(1, "photo", "photo", "4");
        tap(null, "photo", "photo", "5");
        BreakOutCourse course = course(1);
        SizePair pair = course.sizes().get(0).pair();
        assertThat(pair.way()).isEqualTo(SizePair.Way.BORE);
        assertThat(pair.pattern()).hasValue(26);
        assertThat(pair.casting()).hasValue(25.6);
        assertThat(pair.print()).isEmpty();
        assertThat(course.photos())
                .extracting(BreakOutCourse.Taken::casting)
                .containsExactly(Optional.of(1), Optional.empty());
        tap(null, "unsize", "size", Long.toString(size));
        tap(null, "unphoto", "photo", "4");
        assertThat(course(1).sizes()).isEmpty();
        assertThat(course(1).photos()).extracting(BreakOutCourse.Taken::id).containsExactly(5L);
    }

    @Test
    void whatTheCasterFoundToBeTheCause() {
        tap(null, "cause", "cause", "mold-too-cold");
        tap(null, "booked");
        assertThat(course(1).cause()).isEqualTo("mold-too-cold");
        assertThat(course(1).confirmedBy()).isEqualTo("Ines");
        assertThat(course(1).booked()).isTrue();
        tap(null, "cause", "cause", "");
        assertThat(course(1).cause()).isEmpty();
    }

    private void pin(int casting, String defect, String places) {
        tap(casting, "pin", "defect", defect, "x", "0.5", "y", "0.5", "places", places);
    }

    /** One misrun, one misrun with a cold shut, and gas holes apart: two groups, the larger first. */
    @Test
    void whatOccursOnOneCastingBelongsTogether() {
        pin(1, "misrun", "thin");
        pin(2, "misrun", "far-end");
        pin(2, "cold-shut", "thin");
        pin(4, "gas-hole", "top");
        Groups groups = Groups.of(course(4));
        assertThat(groups.all())
                .extracting(Groups.Group::title)
                .containsExactly("misrun and cold shut in 2 castings", "gas hole in casting 4");
        Groups.Group first = groups.all().get(0);
        assertThat(first.castings()).containsExactly(1, 2);
        assertThat(first.key()).isEqualTo("misrun+cold-shut");
        assertThat(groups.named("gas-hole").orElseThrow().castings()).containsExactly(4);
        // what is not there any more falls back to the largest
        assertThat(groups.named("tear").orElseThrow()).isEqualTo(first);
        assertThat(Groups.of(BreakOutCourse.of(tiles(2), List.of())).named("tear"))
                .isEmpty();
    }

    /** Two that had nothing in common are one where a third casting shows both. */
    @Test
    void aThirdCastingJoinsTwoGroups() {
        pin(1, "misrun", "thin");
        pin(2, "gas-hole", "top");
        assertThat(Groups.of(course(3)).all()).hasSize(2);
        pin(3, "misrun", "thin");
        pin(3, "gas-hole", "top");
        assertThat(Groups.of(course(3)).all())
                .singleElement()
                .satisfies(g -> assertThat(g.castings()).containsExactly(1, 2, 3));
    }

    @ParameterizedTest
    @CsvSource({"thin, thin, true", "thin, top, false", "'thin,top', 'far-end,top', true", "'', thin, false"})
    void theSamePlaceInTwoCastingsCounts(String one, String other, boolean repeats) {
        pin(1, "misrun", one);
        pin(2, "misrun", other);
        Defect defect = Groups.of(course(2)).all().get(0).defects().get(0);
        assertThat(defect.repeats()).isEqualTo(repeats);
    }

    /** The worst of what was seen stands for all of it. */
    @Test
    void theWorstExtentStands() {
        for (String bad : List.of("slight", "bad", "medium")) {
            tap(1, "pin", "defect", "rough", "x", "0.5", "y", "0.5", "bad", bad);
        }
        assertThat(Groups.of(course(1)).all().get(0).defects().get(0).extent()).contains(Defect.Extent.BAD);
    }

    @ParameterizedTest
    @EnumSource(DefectKind.class)
    void eachDefectHasASignOfItsOwn(DefectKind kind) {
        assertThat(Signs.of(kind)).startsWith("<svg").endsWith("</svg>").contains("aria-hidden");
        for (DefectKind other : DefectKind.values()) {
            if (other != kind) {
                assertThat(Signs.of(other)).isNotEqualTo(Signs.of(kind));
            }
        }
    }

    /** 200 wide: three good of four take 150, less 2 between. */
    @Test
    void aBarIsSharedByWhatCameOut() {
        assertThat(Bar.of(3, 0, 1, 0)).contains("3 of 4 good", "width=\"148", "width=\"48");
        assertThat(Bar.of(0, 0, 0, 0)).isEmpty();
        assertThat(Bar.of(0, 0, 6, 0)).contains("0 of 6 good", "width=\"198");
        // more were counted than are there: never a negative width
        assertThat(Bar.of(2, 0, 0, -3)).contains("2 of 2 good").doesNotContain("width=\"-");
    }
}
