package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads coats as casters write them: "prime, intermediate, 3 backup, wire, 4 backup, seal". */
public final class RecipeText {
    private static final Pattern ITEM = Pattern.compile("(?:(\\d{1,3})\\s*[x×]?\\s+)?([a-z -]+)");

    private RecipeText() {}

    /** Coats and where the wire goes, 0 for none. */
    public record Read(List<Coat> coats, int wireAfter) {}

    /** @throws IllegalArgumentException with a word for the one who typed it */
    public static Read read(String text) {
        List<Coat> coats = new ArrayList<>();
        int wire = 0;
        for (String item : text.toLowerCase(Locale.ROOT).split("[,;\\n]")) {
            String plain = item.strip();
            if (plain.isEmpty()) {
                continue;
            }
            if (plain.equals("wire")) {
                if (coats.isEmpty() || wire > 0) {
                    throw new IllegalArgumentException("Wire is named once, after the coat it is wrapped on.");
                }
                wire = coats.size();
                continue;
            }
            Matcher matcher = ITEM.matcher(plain);
            Optional<Coat> coat = matcher.matches() ? named(matcher.group(2).strip()) : Optional.empty();
            if (coat.isEmpty()) {
                throw new IllegalArgumentException("\"" + plain + "\" is no coat. Coats are "
                        + String.join(
                                ", ",
                                Arrays.stream(Coat.values()).map(Coat::label).toList())
                        + ", and wire.");
            }
            int times = matcher.group(1) == null ? 1 : Integer.parseInt(matcher.group(1));
            if (times < 1 || coats.size() + times > Recipe.MOST_COATS) {
                throw new IllegalArgumentException("A shell has 1 to " + Recipe.MOST_COATS + " coats.");
            }
            for (int i = 0; i < times; i++) {
                coats.add(coat.get());
            }
        }
        if (coats.isEmpty()) {
            throw new IllegalArgumentException("Name its coats, such as: prime, 5 backup, seal.");
        }
        return new Read(coats, wire);
    }

    private static Optional<Coat> named(String word) {
        String one = word.replaceAll(" coats?$", "").replaceAll("s$", "");
        return Arrays.stream(Coat.values())
                .filter(c -> c.label().equals(one) || c.key().equals(one))
                .findFirst();
    }
}
