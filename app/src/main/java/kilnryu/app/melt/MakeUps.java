package kilnryu.app.melt;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;

/** Make-ups as they are typed: element by element, in one line such as "Cu 95 Si 4 Mn 1", or by an alloy's key. */
public final class MakeUps {
    private static final Pattern PART = Pattern.compile("([A-Za-z]{1,2})\\s*[:=]?\\s*([0-9]+(?:[.,][0-9]+)?)\\s*%?");
    private static final Pattern REST = Pattern.compile("(?i)([A-Za-z]{1,2})\\s*[:=]?\\s*(rest|bal)\\.?");

    private MakeUps() {}

    /** Element by element below a path, as the API asks; an error there when they do not sum up. */
    static Optional<MakeUp> shares(Fields fields, String path) {
        Map<Element, Double> percent = new EnumMap<>(Element.class);
        for (Element e : Element.values()) {
            OptionalDouble share = fields.quantity(MeltFields.share(path, e));
            share.ifPresent(s -> percent.put(e, s));
        }
        return percent.isEmpty() ? Optional.empty() : made(fields, path, percent);
    }

    /** A line as casters write it, or the key of an alloy. */
    public static Optional<MakeUp> line(Fields fields, Declared.Text field) {
        String path = field.path();
        Optional<String> text = fields.text(field);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<MakeUp> alloy = Alloy.named(text.get()).flatMap(Bands::of).map(Bands::middle);
        return alloy.isPresent() ? alloy : parsed(fields, path, text.get());
    }

    private static Optional<MakeUp> parsed(Fields fields, String path, String text) {
        Map<Element, Double> percent = new EnumMap<>(Element.class);
        String left = text;
        Matcher part = PART.matcher(text);
        while (part.find()) {
            Optional<Element> element = element(fields, path, part.group(1));
            if (element.isEmpty()) {
                return Optional.empty();
            }
            percent.merge(element.get(), Double.parseDouble(part.group(2).replace(',', '.')), Double::sum);
            left = left.replace(part.group(), "");
        }
        Matcher rest = REST.matcher(left);
        if (rest.find()) {
            Optional<Element> element = element(fields, path, rest.group(1));
            double named = percent.values().stream().mapToDouble(d -> d).sum();
            if (element.isEmpty() || named > 100) {
                return Optional.empty();
            }
            percent.merge(element.get(), 100 - named, Double::sum);
            left = left.replace(rest.group(), "");
        }
        if (percent.isEmpty() || !left.replaceAll("[\\s,;/%-]", "").isEmpty()) {
            fields.error(path, "Write it as \"Cu 95 Si 4 Mn 1\", with \"rest\" for one of them if you like.");
            return Optional.empty();
        }
        return made(fields, path, percent);
    }

    private static Optional<Element> element(Fields fields, String path, String symbol) {
        Optional<Element> element = Element.named(symbol);
        if (element.isEmpty()) {
            fields.error(
                    path,
                    "\"" + symbol + "\" is no element that is kept here: "
                            + Arrays.stream(Element.values())
                                    .map(Element::symbol)
                                    .collect(Collectors.joining(", ")) + ".");
        }
        return element;
    }

    private static Optional<MakeUp> made(Fields fields, String path, Map<Element, Double> percent) {
        try {
            return Optional.of(new MakeUp(percent));
        } catch (IllegalArgumentException e) {
            fields.error(path, e.getMessage());
            return Optional.empty();
        }
    }

    /** By symbol, as it is kept. */
    static Map<String, Double> kept(MakeUp makeUp) {
        Map<String, Double> all = new LinkedHashMap<>();
        makeUp.percent().forEach((e, p) -> all.put(e.symbol(), p));
        return all;
    }

    /** What was kept. */
    static MakeUp of(Map<String, Double> kept) {
        Map<Element, Double> percent = new EnumMap<>(Element.class);
        kept.forEach((symbol, p) -> percent.put(
                Element.named(symbol).orElseThrow(() -> new IllegalStateException("no element " + symbol)), p));
        return new MakeUp(percent);
    }

    static String share(double percent) {
        return String.format(Locale.ROOT, percent < 0.1 ? "%.3f" : "%.2f", percent);
    }
}
