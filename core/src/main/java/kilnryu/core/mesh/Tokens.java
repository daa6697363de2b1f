package kilnryu.core.mesh;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;

/**
 * Words of a text file, read in blocks. Decimals with at most 15 digits and a power of ten up to 22 are exact in one
 * multiplication or division (W. D. Clinger's fast case); others go to the platform's reader.
 */
final class Tokens {
    private static final int LONGEST = 256;
    private static final double[] POWERS = {
        1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10, 1e11, 1e12, 1e13, 1e14, 1e15, 1e16, 1e17, 1e18, 1e19,
        1e20, 1e21, 1e22
    };

    private final InputStream in;
    private final byte[] block = new byte[1 << 16];
    private final byte[] word = new byte[LONGEST];
    private int at;
    private int filled;
    private int length;
    private long read;
    private long line = 1;
    private boolean lineEnded;

    Tokens(InputStream in) {
        this.in = in;
    }

    long bytesRead() {
        return read;
    }

    long line() {
        return line;
    }

    /** Moves to the next word of the file. @return false at its end */
    boolean next() throws IOException {
        int c = skipBlanks(true);
        return c >= 0 && take(c);
    }

    /** Moves to the next word of the same line. @return false at the end of the line */
    boolean nextInLine() throws IOException {
        if (lineEnded) {
            return false;
        }
        int c = skipBlanks(false);
        return c >= 0 && take(c);
    }

    void skipLine() throws IOException {
        while (!lineEnded) {
            int c = read();
            if (c < 0 || c == '\n') {
                endLine();
            }
        }
    }

    /** Begins the next line after the end of one was met. */
    boolean nextLine() throws IOException {
        skipLine();
        lineEnded = false;
        int c = peek();
        return c >= 0;
    }

    boolean is(String expected) {
        if (expected.length() != length) {
            return false;
        }
        for (int i = 0; i < length; i++) {
            if (Character.toLowerCase((char) word[i]) != expected.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    String text() {
        return new String(word, 0, length, StandardCharsets.ISO_8859_1);
    }

    /** @throws NumberFormatException when the word is no decimal */
    double decimal() {
        int i = 0;
        boolean negative = word[0] == '-';
        if (negative || word[0] == '+') {
            i++;
        }
        long digits = 0;
        int count = 0;
        int scale = 0;
        boolean point = false;
        for (; i < length; i++) {
            int c = word[i];
            if (c >= '0' && c <= '9') {
                digits = digits * 10 + (c - '0');
                count += digits == 0 ? 0 : 1;
                scale -= point ? 1 : 0;
                if (count > 15) {
                    return slow();
                }
            } else if (c == '.' && !point) {
                point = true;
            } else {
                break;
            }
        }
        if (i < length) {
            if (word[i] != 'e' && word[i] != 'E') {
                return slow();
            }
            scale += exponent(i + 1);
        } else if (length == 1 && (negative || point)) {
            return slow();
        }
        if (scale < -22 || scale > 22) {
            return slow();
        }
        double value = scale < 0 ? digits / POWERS[-scale] : digits * POWERS[scale];
        return negative ? -value : value;
    }

    private int exponent(int from) {
        int i = from;
        boolean negative = i < length && word[i] == '-';
        if (i < length && (negative || word[i] == '+')) {
            i++;
        }
        if (i >= length || length - i > 4) {
            throw new NumberFormatException(text());
        }
        int value = 0;
        for (; i < length; i++) {
            if (word[i] < '0' || word[i] > '9') {
                throw new NumberFormatException(text());
            }
            value = value * 10 + word[i] - '0';
        }
        return negative ? -value : value;
    }

    private double slow() {
        return Double.parseDouble(text());
    }

    private int skipBlanks(boolean acrossLines) throws IOException {
        int c = read();
        while (c == ' ' || c == '\t' || c == '\r' || c == '\n') {
            if (c == '\n') {
                endLine();
                if (!acrossLines) {
                    return -1;
                }
            }
            c = read();
        }
        if (c < 0) {
            lineEnded = true;
        } else {
            lineEnded = false;
        }
        return c;
    }

    private boolean take(int first) throws IOException {
        length = 0;
        int c = first;
        while (c > ' ') {
            if (length == LONGEST) {
                throw new UnreadableMesh("Line " + line + " has a word of more than 256 letters: this is no mesh.");
            }
            word[length++] = (byte) c;
            c = read();
        }
        if (c == '\n') {
            endLine();
        } else if (c == 0) {
            throw new UnreadableMesh("Line " + line + " holds bytes that are not text: the file is damaged.");
        } else if (c < 0) {
            lineEnded = true;
        }
        return true;
    }

    private void endLine() {
        line++;
        lineEnded = true;
    }

    private int peek() throws IOException {
        int c = read();
        if (c >= 0) {
            at--;
            read--;
        }
        return c;
    }

    private int read() throws IOException {
        if (at == filled) {
            filled = in.read(block);
            at = 0;
            if (filled <= 0) {
                filled = 0;
                return -1;
            }
        }
        read++;
        return block[at++] & 0xff;
    }
}
