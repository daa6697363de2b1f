package kilnryu.app.piece;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.web.ListPage;
import org.springframework.stereotype.Component;

/** A piece as a field of another sheet: which there are, and that it is one of this studio. */
@Component
public class PieceChoice {
    private static final int MOST = 200;

    private final PieceStore pieces;

    PieceChoice(PieceStore pieces) {
        this.pieces = pieces;
    }

    public List<Option> options(Account account) {
        return pieces.list(account.studioId(), false, "", new ListPage.Span(0, MOST)).stream()
                .map(p -> new Option(Long.toString(p.id()), p.name()))
                .toList();
    }

    /** How many castings of a piece are wanted; empty where there is none, or it does not say. */
    public OptionalInt wanted(Account account, String piece) {
        return piece.matches("\\d{1,18}")
                ? pieces.find(account.studioId(), Long.parseLong(piece))
                        .map(p -> p.fields().getOrDefault("count", ""))
                        .filter(c -> c.matches("\\d{1,6}"))
                        .map(c -> OptionalInt.of(Integer.parseInt(c)))
                        .orElse(OptionalInt.empty())
                : OptionalInt.empty();
    }

    /** The same without a piece that is none of this studio. */
    public Map<String, String> owned(Account account, Map<String, String> fields) {
        Map<String, String> mine = new LinkedHashMap<>(fields);
        String piece = mine.getOrDefault("piece", "");
        if (!piece.matches("\\d{1,18}")
                || pieces.find(account.studioId(), Long.parseLong(piece)).isEmpty()) {
            mine.remove("piece");
        }
        return mine;
    }
}
