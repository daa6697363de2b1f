package kilnryu.app.web;

import java.util.Locale;
import org.springframework.web.util.HtmlUtils;

/** Writes SVG with plain attributes, which pages under a strict policy and the PDF both understand. */
public final class Svg {
    public static final String INK = "#2a2220";
    public static final String FAINT_INK = "#5f534b";
    public static final String PAPER = "#fffdf8";
    public static final String RULE = "#dccfbd";
    public static final String VERDIGRIS = "#27685d";
    public static final String OCHRE = "#8a560c";
    public static final String SLATE = "#4d5f70";
    public static final String OXIDE = "#a2382a";
    private static final String FONT = "font-family=\"Archivo Variable, Archivo, sans-serif\"";

    private final StringBuilder out = new StringBuilder();

    public Svg(double width, double height, String label) {
        this(width, height, label, "img");
    }

    /** A drawing that holds things to be taken hold of. */
    public static Svg withHandles(double width, double height, String label) {
        return new Svg(width, height, label, "group");
    }

    private Svg(double width, double height, String label, String role) {
        out.append(fmt(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %s %s\" width=\"%s\" height=\"%s\" role=\""
                        + role + "\" aria-label=\"%s\" %s>",
                n(width),
                n(height),
                Math.round(width),
                Math.round(height),
                escape(label),
                FONT));
    }

    public Svg line(double x1, double y1, double x2, double y2, String paint) {
        out.append(fmt("<line x1=\"%s\" y1=\"%s\" x2=\"%s\" y2=\"%s\" %s/>", n(x1), n(y1), n(x2), n(y2), paint));
        return this;
    }

    public Svg rect(double x, double y, double width, double height, String paint) {
        out.append(fmt(
                "<rect x=\"%s\" y=\"%s\" width=\"%s\" height=\"%s\" %s/>",
                n(x), n(y), n(Math.max(0, width)), n(Math.max(0, height)), paint));
        return this;
    }

    public Svg ellipse(double cx, double cy, double rx, double ry, String paint) {
        out.append(fmt("<ellipse cx=\"%s\" cy=\"%s\" rx=\"%s\" ry=\"%s\" %s/>", n(cx), n(cy), n(rx), n(ry), paint));
        return this;
    }

    public Svg path(String d, String paint) {
        out.append(fmt("<path d=\"%s\" %s/>", d, paint));
        return this;
    }

    /** Begins a group; {@link #endGroup()} ends it. */
    public Svg group(String paint) {
        out.append("<g ").append(paint).append('>');
        return this;
    }

    public Svg endGroup() {
        return ends("</g>");
    }

    /** A rectangle that groups may be cut to by its name. */
    public Svg clip(String name, double x, double y, double width, double height) {
        out.append("<clipPath id=\"").append(name).append("\">");
        return rect(x, y, width, height, "").ends("</clipPath>");
    }

    private Svg ends(String tag) {
        out.append(tag);
        return this;
    }

    /** A stop of a gradient: where along it, 0 to 1, and which colour. */
    public record Stop(double share, String colour) {}

    /** A gradient from left to right between two places, that shapes are filled with by its name. */
    public Svg gradient(String name, double from, double to, java.util.List<Stop> stops) {
        out.append(fmt(
                "<linearGradient id=\"%s\" gradientUnits=\"userSpaceOnUse\" x1=\"%s\" x2=\"%s\" y1=\"0\" y2=\"0\">",
                name, n(from), n(to)));
        stops.forEach(s -> out.append(fmt("<stop offset=\"%.4f\" stop-color=\"%s\"/>", s.share, s.colour)));
        return ends("</linearGradient>");
    }

    /** Begins what leads to a page; {@link #endLink()} ends it. */
    public Svg link(String address, String label) {
        out.append(fmt("<a href=\"%s\" aria-label=\"%s\">", escape(address), escape(label)));
        return this;
    }

    public Svg endLink() {
        return ends("</a>");
    }

    public Svg text(double x, double y, String words, String paint) {
        out.append(fmt("<text x=\"%s\" y=\"%s\" %s>%s</text>", n(x), n(y), paint, escape(words)));
        return this;
    }

    /** A square turned on its side for hatching, drawn as many short lines. */
    public Svg hatch(double x, double y, double width, double height, String paint) {
        rect(x, y, width, height, "fill=\"" + PAPER + "\" " + paint);
        for (double at = -width; at < height; at += 5) {
            double from = Math.max(0, at);
            double to = Math.min(height, at + width);
            if (to > from) {
                line(x + (from - at), y + from, x + (to - at), y + to, paint);
            }
        }
        return this;
    }

    public String done() {
        return out + "</svg>";
    }

    /** A coordinate with one decimal: written some thousand times in a curve, so without a format to be parsed. */
    public static String n(double value) {
        long tenths = Math.round(value * 10);
        long size = Math.abs(tenths);
        return (tenths < 0 ? "-" : "") + size / 10 + "." + size % 10;
    }

    /** A point of a path, after its command. */
    public static String point(String command, double x, double y) {
        return command + n(x) + "," + n(y);
    }

    private static String fmt(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }

    private static String escape(String words) {
        return HtmlUtils.htmlEscape(words, "UTF-8");
    }
}
