package kilnryu.core.sum;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import kilnryu.core.quantity.Measure;

/**
 * An arithmetic expression over figures, written as casters would read it and evaluated from the same text, so that
 * the sum shown cannot differ from the sum done. Knows + - * / ^, brackets, min, max, sqrt, ln, exp and pi; symbols are words
 * of letters, digits and underscores. Immutable; make each once.
 */
public final class Formula {
    /** Adds up all inputs. */
    static final Formula TOTAL = new Formula(List.of(), new Node.Total(), false);

    private static final int SHOWN_TERMS = 12;
    private static final int MOST_DIGITS = 12;
    private static final double TOLERANCE = 5e-4;

    private final List<String> tokens;
    private final String text;
    private final Node root;

    private final boolean rule;

    private Formula(List<String> tokens, Node root, boolean rule) {
        this.rule = rule;
        this.tokens = tokens;
        this.text = tokens.isEmpty() ? "sum of the parts" : print(tokens, Map.of());
        this.root = root;
    }

    /** @throws IllegalArgumentException when the text is not an expression */
    public static Formula of(String text) {
        return new Formula(FormulaParser.tokens(text), FormulaParser.parse(text), false);
    }

    /**
     * A rule of the trade or a relation found by trial: it holds in the units of its figures alone, because a number in it
     * carries a unit, or because it reckons in degrees over a mark of the thermometer.
     *
     * @throws IllegalArgumentException when the text is not an expression
     */
    public static Formula rule(String text) {
        return new Formula(FormulaParser.tokens(text), FormulaParser.parse(text), true);
    }

    /** Whether it holds in its own units alone. */
    boolean isRule() {
        return rule;
    }

    /** The formula in print: × and ÷, blanks for underscores. */
    public String text() {
        return text;
    }

    /** With the values put in: with as many digits as it takes for the text to give the very value. */
    String substituted(List<Figure> inputs) {
        int digits = Plain.DIGITS;
        double exact = value(inputs);
        while (digits < MOST_DIGITS && off(inputs, digits, exact) > TOLERANCE) {
            digits++;
        }
        return this == TOTAL ? total(inputs, digits) : print(tokens, values(inputs, digits));
    }

    private double off(List<Figure> inputs, int digits, double exact) {
        List<Figure> printed = inputs.stream()
                .map(f -> Figure.given(f.symbol(), f.name(), Plain.rounded(f.value(), digits), f.unit(), f.known(), 0))
                .toList();
        double off = Math.abs(value(printed) - exact);
        return exact == 0 ? off : off / Math.abs(exact);
    }

    private static String total(List<Figure> inputs, int digits) {
        String terms = inputs.stream()
                .limit(SHOWN_TERMS)
                .map(f -> Plain.number(f.value(), digits))
                .collect(Collectors.joining(" + "));
        int more = inputs.size() - SHOWN_TERMS;
        if (more <= 0) {
            return terms;
        }
        double rest =
                inputs.stream().skip(SHOWN_TERMS).mapToDouble(Figure::value).sum();
        return terms + " + " + Plain.number(rest, digits) + " of " + more + " more";
    }

    private static Map<String, Printed> values(List<Figure> inputs, int digits) {
        return inputs.stream()
                .collect(Collectors.toMap(
                        Figure::symbol,
                        f -> new Printed(
                                Plain.withUnit(f, digits),
                                f.unit() == Measure.PERCENT ? Plain.number(f.value(), digits) + " %" : ""),
                        (x, y) -> x));
    }

    /**
     * A value in print.
     *
     * @param hundredth how it reads where the formula divides it by 100; empty where it is no percentage
     */
    private record Printed(String text, String hundredth) {}

    double value(List<Figure> inputs) {
        return root.value(inputs);
    }

    /** Partial derivative by one input, by central difference over a millionth of it. */
    double slope(List<Figure> inputs, int which) {
        if (this == TOTAL) {
            return 1;
        }
        double at = inputs.get(which).value();
        double step = Math.max(Math.abs(at), 1e-6) * 1e-6;
        return (root.value(moved(inputs, which, at + step)) - root.value(moved(inputs, which, at - step))) / (2 * step);
    }

    private static List<Figure> moved(List<Figure> inputs, int which, double to) {
        List<Figure> moved = new ArrayList<>(inputs);
        Figure old = inputs.get(which);
        moved.set(which, Figure.given(old.symbol(), old.name(), to, old.unit(), old.known(), 0));
        return moved;
    }

    private static String print(List<String> tokens, Map<String, Printed> values) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < tokens.size(); i++) {
            String token = tokens.get(i);
            Printed value = values.get(token);
            boolean raised = i + 1 < tokens.size() && tokens.get(i + 1).equals("^");
            boolean divides =
                    i > 0 && (tokens.get(i - 1).equals("/") || tokens.get(i - 1).equals("^"));
            boolean hundredth = i + 2 < tokens.size()
                    && tokens.get(i + 1).equals("/")
                    && tokens.get(i + 2).equals("100")
                    && !divides;
            if (token.equals("^")) {
                String power = tokens.get(++i);
                out.append(power.equals("2") ? "²" : power.equals("3") ? "³" : "^" + raised(power, values));
            } else if (value != null && !value.hundredth.isEmpty() && hundredth) {
                out.append(value.hundredth);
                i += 2;
            } else if (value != null) {
                out.append(raised && value.text.contains(" ") ? "(" + value.text + ")" : value.text);
            } else {
                out.append(printed(token));
            }
        }
        return out.toString();
    }

    private static String raised(String power, Map<String, Printed> values) {
        return values.containsKey(power) ? values.get(power).text : printed(power);
    }

    private static String printed(String token) {
        return switch (token) {
            case "*" -> " × ";
            case "/" -> " ÷ ";
            case "+" -> " + ";
            case "-" -> " − ";
            case "," -> ", ";
            case "pi" -> "π";
            case "sqrt" -> "√";
            case "(", ")" -> token;
            default -> token.replace('_', ' ');
        };
    }

    /** A part of an expression. */
    sealed interface Node {
        double value(List<Figure> inputs);

        record Number(double number) implements Node {
            @Override
            public double value(List<Figure> inputs) {
                return number;
            }
        }

        record Symbol(String name) implements Node {
            @Override
            public double value(List<Figure> inputs) {
                for (Figure input : inputs) {
                    if (input.symbol().equals(name)) {
                        return input.value();
                    }
                }
                throw new IllegalArgumentException("the formula needs " + name);
            }
        }

        record Operation(char sign, Node left, Node right) implements Node {
            @Override
            public double value(List<Figure> inputs) {
                double a = left.value(inputs);
                double b = right.value(inputs);
                return switch (sign) {
                    case '+' -> a + b;
                    case '-' -> a - b;
                    case '*' -> a * b;
                    case '/' -> a / b;
                    default -> Math.pow(a, b);
                };
            }
        }

        record Call(String function, List<Node> arguments) implements Node {
            @Override
            public double value(List<Figure> inputs) {
                double first = arguments.get(0).value(inputs);
                return switch (function) {
                    case "sqrt" -> Math.sqrt(first);
                    case "atan" -> Math.atan(first);
                    case "ln" -> Math.log(first);
                    case "exp" -> Math.exp(first);
                    case "min" -> Math.min(first, arguments.get(1).value(inputs));
                    default -> Math.max(first, arguments.get(1).value(inputs));
                };
            }
        }

        record Total() implements Node {
            @Override
            public double value(List<Figure> inputs) {
                return inputs.stream().mapToDouble(Figure::value).sum();
            }
        }
    }
}
