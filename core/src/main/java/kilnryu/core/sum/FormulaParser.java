package kilnryu.core.sum;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.core.sum.Formula.Node;

/** Recursive descent over the few forms a {@link Formula} may take. */
final class FormulaParser {
    private static final Pattern TOKEN = Pattern.compile("\\s*([A-Za-z_][A-Za-z_0-9]*|\\d+(?:\\.\\d+)?|[-+*/^(),])");
    private static final Set<String> FUNCTIONS = Set.of("min", "max", "sqrt", "atan", "ln", "exp");

    private final List<String> tokens;
    private int at;

    private FormulaParser(List<String> tokens) {
        this.tokens = tokens;
    }

    static Node parse(String text) {
        FormulaParser parser = new FormulaParser(tokens(text));
        Node node = parser.sum();
        if (parser.at < parser.tokens.size()) {
            throw new IllegalArgumentException("left over in formula: " + parser.peek());
        }
        return node;
    }

    static List<String> tokens(String text) {
        List<String> found = new ArrayList<>();
        Matcher matcher = TOKEN.matcher(text);
        int at = 0;
        while (at < text.length()) {
            if (!matcher.find(at) || matcher.start() != at) {
                throw new IllegalArgumentException("not a formula: " + text);
            }
            found.add(matcher.group(1));
            at = matcher.end();
        }
        return found;
    }

    private Node sum() {
        Node left = product();
        while (peek().equals("+") || peek().equals("-")) {
            left = new Node.Operation(next().charAt(0), left, product());
        }
        return left;
    }

    private Node product() {
        Node left = power();
        while (peek().equals("*") || peek().equals("/")) {
            left = new Node.Operation(next().charAt(0), left, power());
        }
        return left;
    }

    private Node power() {
        Node base = atom();
        return peek().equals("^") ? new Node.Operation(next().charAt(0), base, atom()) : base;
    }

    private Node atom() {
        String token = next();
        if (token.equals("(")) {
            Node inner = sum();
            expect(")");
            return inner;
        }
        if (FUNCTIONS.contains(token)) {
            return call(token);
        }
        if (token.equals("pi")) {
            return new Node.Number(Math.PI);
        }
        if (Character.isDigit(token.charAt(0))) {
            return new Node.Number(Double.parseDouble(token));
        }
        if (!Character.isLetter(token.charAt(0))) {
            throw new IllegalArgumentException("a value is missing before " + token);
        }
        return new Node.Symbol(token);
    }

    private Node call(String function) {
        expect("(");
        List<Node> arguments = new ArrayList<>(List.of(sum()));
        while (peek().equals(",")) {
            next();
            arguments.add(sum());
        }
        expect(")");
        return new Node.Call(function, List.copyOf(arguments));
    }

    private String peek() {
        return at < tokens.size() ? tokens.get(at) : "";
    }

    private String next() {
        if (at >= tokens.size()) {
            throw new IllegalArgumentException("formula ends too soon");
        }
        return tokens.get(at++);
    }

    private void expect(String token) {
        if (!next().equals(token)) {
            throw new IllegalArgumentException("formula lacks " + token);
        }
    }
}
