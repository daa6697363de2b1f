package kilnryu.app.piece;

import kilnryu.app.account.Account;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;

/** A piece in the list. */
public record PieceLine(
        long id,
        String name,
        String commission,
        String made,
        String size,
        String volume,
        String metal,
        String changed,
        Face face,
        Stands stands) {

    /** What it is known by: its first photo, or else its outline. */
    public record Face(Long photo, String drawing) {}

    /**
     * Where it stands in the work.
     *
     * @param address of the tree that is furthest, empty where it hangs on none
     */
    public record Stands(String words, String address, String mark) {
        static final Stands NOWHERE = new Stands("on no tree yet", "", "");
    }

    static PieceLine of(PieceStore.Row row, PieceReader.Piece piece, Account account, Face face, Stands stands) {
        String size = Double.isNaN(piece.sizes()[0])
                ? ""
                : Show.value(piece.sizes()[0], Measure.MILLIMETRE, account.units(), false)
                        .toString();
        return new PieceLine(
                row.id(),
                row.name(),
                row.fields().getOrDefault("commission", ""),
                piece.made().label(),
                size,
                piece.volume()
                        .map(v -> Show.figure(v, account.units()).toString())
                        .orElse(""),
                piece.alloy().map(a -> a.label()).orElse(""),
                Show.dayAndClock(row.updatedAt().atZone(account.zoneId())),
                face,
                stands);
    }
}
