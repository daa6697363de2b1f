package kilnryu.app.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.pot.PotStore;
import kilnryu.app.rubber.RubberStore;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.wax.WaxStore;
import org.springframework.stereotype.Component;

/** The tern's body in rubber, two waxes pulled from it, one sound and one with a thin wing, and the pot they were poured from. */
@Component
class RubberAndWax {
    private final RubberStore molds;
    private final WaxStore waxes;
    private final PotStore pots;
    private final Clock clock;

    RubberAndWax(RubberStore molds, WaxStore waxes, PotStore pots, Clock clock) {
        this.molds = molds;
        this.waxes = waxes;
        this.pots = pots;
        this.clock = clock;
    }

    /** Something that was tapped at a sheet so long ago. */
    private final class Tapping {
        private final TappedStore store;
        private final Account account;
        private final long id;
        private final Instant now = clock.instant();

        Tapping(TappedStore store, Account account, long id) {
            this.store = store;
            this.account = account;
            this.id = id;
        }

        Tapping tap(String kind, Duration ago, String... fields) {
            Map<String, String> all = new LinkedHashMap<>();
            for (int i = 0; i < fields.length; i += 2) {
                all.put(fields[i], fields[i + 1]);
            }
            store.tap(account, id, UUID.randomUUID().toString(), kind, all, -1, now.minus(ago));
            return this;
        }
    }

    void load(Account account, long piece) {
        long mold = mold(account, piece);
        long pot = pot(account);
        new Tapping(molds, account, mold)
                .tap("coat", Duration.ofHours(240), "base", "9.4", "hardener", "0.94")
                .tap("coat", Duration.ofHours(237), "base", "28.1", "hardener", "2.8")
                .tap("coat", Duration.ofHours(234), "base", "28", "hardener", "2.8")
                .tap("coat", Duration.ofHours(220), "base", "28.3", "hardener", "2.85")
                .tap("jacket", Duration.ofHours(216))
                .tap("pull", Duration.ofHours(150), "fault", "")
                .tap("pull", Duration.ofHours(60), "fault", "")
                .tap("wear", Duration.ofHours(60), "says", "the seam lifts a little at the tail");
        parted(account, mold);
        first(account, piece, mold, pot);
        second(account, piece, mold, pot);
    }

    /** Round its whole outline, a spout at the tail, a part for each side. */
    private void parted(Account account, long mold) {
        Duration before = Duration.ofHours(260);
        new Tapping(molds, account, mold)
                .tap("outline", before)
                .tap("spout", before.minusMinutes(1), "x", "0.5", "y", "1")
                .tap("part", before.minusMinutes(2), "x", "0.5", "y", "0.7", "name", "front")
                .tap("part", before.minusMinutes(3), "x", "0.5", "y", "0.3", "name", "back, behind");
    }

    private long mold(Account account, long piece) {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("name", "Tern, body");
        sheet.put("piece", Long.toString(piece));
        sheet.put("original", "clay");
        sheet.put("kind", "brushed");
        sheet.put("material", "tin-silicone");
        sheet.put("area_cm2", "136 cm²");
        sheet.put("coats[k1]", "0.6 mm");
        sheet.put("coats[k2]", "1.8 mm");
        sheet.put("coats[k3]", "1.8 mm");
        sheet.put("coats[k4]", "1.8 mm");
        sheet.put("hardener_per_100", "10");
        sheet.put("pot_life_min_23", "40 min");
        sheet.put("cure_h_23", "16 h");
        sheet.put("room_C", "20 °C");
        sheet.put("jacket.kind", "plaster");
        sheet.put("jacket.thickness_mm", "20 mm");
        sheet.put("jacket.parts", "2");
        sheet.put("opening", "front");
        sheet.put("lies", "shelf 3, left");
        return molds.save(account.studioId(), 0, 0, "Tern, body", sheet).getAsLong();
    }

    private long wax(Account account, long piece, long mold, long pot, String name) {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("name", name);
        sheet.put("piece", Long.toString(piece));
        sheet.put("mold", Long.toString(mold));
        sheet.put("pot", Long.toString(pot));
        sheet.put("target_mm", "4 mm");
        sheet.put("layers", "2");
        sheet.put("pour_C", "85 °C");
        sheet.put("mold_C", "20 °C");
        sheet.put("thinnest_mm", "9 mm");
        return waxes.save(account.studioId(), 0, 0, name, sheet).getAsLong();
    }

    /** Kept at what its waxes are poured at; its stand-in stands 10 cm high. */
    private long pot(Account account) {
        Map<String, String> sheet = new LinkedHashMap<>();
        sheet.put("name", "Pot by the window");
        sheet.put("keep_C", "75 °C");
        sheet.put("inside_mm", "240 mm");
        sheet.put("high_mm", "220 mm");
        long pot =
                pots.save(account.studioId(), 0, 0, "Pot by the window", sheet).getAsLong();
        new Tapping(pots, account, pot)
                .tap("new", Duration.ofDays(90), "grams", "3000", "what", "brown sculpture wax")
                .tap("recovered", Duration.ofDays(20), "grams", "900", "times", "1", "what", "from the heron, strained")
                .tap("taken", Duration.ofHours(60), "grams", "180", "what", "tern, body");
        return pot;
    }

    private Tapping poured(Account account, long wax, Duration ago) {
        return new Tapping(waxes, account, wax)
                .tap("pour", ago.plusMinutes(60))
                .tap("out", ago.plusMinutes(60).minusSeconds(170))
                .tap("pour", ago.plusMinutes(15))
                .tap("out", ago.plusMinutes(15).minusSeconds(515))
                .tap("pulled", ago);
    }

    /** Sound, weighed as it was asked, signed off. */
    private void first(Account account, long piece, long mold, long pot) {
        Tapping at = poured(account, wax(account, piece, mold, pot, "Tern, body, 1"), Duration.ofHours(150));
        Duration after = Duration.ofHours(148);
        at.tap("wall", after, "mm", "4.1", "where", "breast", "model", "3.9", "x", "0.6", "y", "0.4");
        for (String check :
                new String[] {"seam", "bubbles", "edges", "wall", "distorted", "window", "clean", "number"}) {
            at.tap("check", after, "what", check, "sound", "yes");
        }
        at.tap("weigh", after, "grams", "42").tap("sign", after, "name", "Demo");
    }

    /** Its left wing is thin: found against the light, not mended yet. */
    private void second(Account account, long piece, long mold, long pot) {
        Duration after = Duration.ofHours(58);
        poured(account, wax(account, piece, mold, pot, "Tern, body, 2"), Duration.ofHours(60))
                .tap("wall", after, "mm", "4", "where", "breast", "model", "3.9", "x", "0.6", "y", "0.4")
                .tap("wall", after, "mm", "1.6", "where", "left wing", "model", "3.9", "x", "0.2", "y", "0.62")
                .tap("check", after, "what", "seam", "sound", "yes")
                .tap("check", after, "what", "wall", "sound", "no");
    }
}
