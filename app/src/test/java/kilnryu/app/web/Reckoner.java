package kilnryu.app.web;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import kilnryu.core.quantity.Measure;

/** Reckons a sum from its printed text alone, as someone with a pencil would: knows nothing of how it was made. */
final class Reckoner {
    private static final List<String> UNITS = Arrays.stream(Measure.values())
            .map(Measure::symbol)
            .filter(s -> !s.isEmpty() && !s.equals("%") && !s.equals("×"))
            .distinct()
            .sorted(Comparator.comparing(String::length).reversed())
            .toList();
    private static final String RAISED = "⁰¹²³⁴⁵⁶⁷⁸⁹";

    private final String text;
    private int at;

    private Reckoner(String text) {
        this.text = text;
    }

    static double reckon(String printed) {
        Reckoner reckoner = new Reckoner(printed.replace('\u2212', '-'));
        double value = reckoner.sum();
        reckoner.blanks();
        if (reckoner.at < reckoner.text.length()) {
            throw new IllegalArgumentException(
                    "not understood from " + reckoner.text.substring(reckoner.at) + " in " + printed);
        }
        return value;
    }

    private double sum() {
        double value = product();
        while (true) {
            if (takes("+")) {
                value += product();
            } else if (takes("-")) {
                value -= product();
            } else {
                return value;
            }
        }
    }

    private double product() {
        double value = power();
        while (true) {
            if (takes("×")) {
                value *= power();
            } else if (takes("÷")) {
                value /= power();
            } else {
                return value;
            }
        }
    }

    private double power() {
        double base = atom();
        if (takes("²")) {
            return base * base;
        }
        if (takes("³")) {
            return base * base * base;
        }
        return takes("^") ? Math.pow(base, atom()) : base;
    }

    private double atom() {
        if (takes("(")) {
            double inner = takes("-") ? -atom() : sum();
            need(")");
            unit();
            return inner;
        }
        for (String function : List.of("max", "min", "√", "ln", "exp", "atan")) {
            if (takes(function + "(")) {
                double first = sum();
                double value = switch (function) {
                    case "max" -> Math.max(first, second());
                    case "min" -> Math.min(first, second());
                    case "√" -> Math.sqrt(first);
                    case "ln" -> Math.log(first);
                    case "exp" -> Math.exp(first);
                    default -> Math.atan(first);
                };
                need(")");
                return value;
            }
        }
        return takes("π") ? Math.PI : number();
    }

    private double second() {
        need(",");
        return sum();
    }

    private double number() {
        blanks();
        int from = at;
        while (at < text.length()
                && (Character.isDigit(text.charAt(at)) && text.charAt(at) < 128 || text.charAt(at) == '.')) {
            at++;
        }
        double value = Double.parseDouble(text.substring(from, at));
        if (text.startsWith("·10", at)) {
            at += 3;
            int sign = text.startsWith("⁻", at) ? -1 : 1;
            at += sign < 0 ? 1 : 0;
            int power = 0;
            while (at < text.length() && RAISED.indexOf(text.charAt(at)) >= 0) {
                power = power * 10 + RAISED.indexOf(text.charAt(at++));
            }
            value *= Math.pow(10, sign * power);
        }
        if (text.startsWith(" %", at)) {
            at += 2;
            return value / 100;
        }
        unit();
        if (text.startsWith(" of ", at) && text.endsWith(" more")) {
            at = text.length();
        }
        return value;
    }

    private void unit() {
        for (String unit : UNITS) {
            String end = text.substring(Math.min(text.length(), at + 1 + unit.length()));
            if (text.startsWith(" " + unit, at) && (end.isEmpty() || !Character.isLetter(end.charAt(0)))) {
                at += 1 + unit.length();
                return;
            }
        }
    }

    private void blanks() {
        while (at < text.length() && text.charAt(at) == ' ') {
            at++;
        }
    }

    private boolean takes(String token) {
        blanks();
        if (!text.startsWith(token, at)) {
            return false;
        }
        at += token.length();
        return true;
    }

    private void need(String token) {
        if (!takes(token)) {
            throw new IllegalArgumentException(token + " is missing at " + at + " of " + text);
        }
    }
}
