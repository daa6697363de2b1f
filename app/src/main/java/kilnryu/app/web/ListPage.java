package kilnryu.app.web;

import java.util.List;
import java.util.function.Function;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * One page of a list that may be long.
 *
 * @param number from 1
 * @param before address of the page before it, empty on the first
 * @param after address of the page after it, empty on the last
 */
public record ListPage<T>(List<T> rows, int number, String before, String after) {
    private static final int SIZE = 50;
    private static final int MOST = 100_000;
    private static final String PAGE = "page";

    public ListPage {
        rows = List.copyOf(rows);
    }

    /** Which rows are wanted: one more than is shown, to know whether there is another page. */
    public record Span(int from, int most) {}

    /** Of the page that the request asks for, at the request's own address with all else it says. */
    public static <T> ListPage<T> asked(String page, Function<Span, List<T>> rows) {
        int number = page.matches("[1-9]\\d{0,5}") ? Math.min(MOST, Integer.parseInt(page)) : 1;
        return of(number, rows, ServletUriComponentsBuilder.fromCurrentRequest());
    }

    static <T> ListPage<T> of(int number, Function<Span, List<T>> rows, UriComponentsBuilder address) {
        List<T> found = rows.apply(new Span((number - 1) * SIZE, SIZE + 1));
        boolean more = found.size() > SIZE;
        return new ListPage<>(
                more ? found.subList(0, SIZE) : found,
                number,
                number > 1 ? at(address, number - 1) : "",
                more ? at(address, number + 1) : "");
    }

    /** The same page of what is made of its rows. */
    public <R> ListPage<R> map(Function<T, R> made) {
        return new ListPage<>(rows.stream().map(made).toList(), number, before, after);
    }

    /** Number of its first row. */
    public int first() {
        return (number - 1) * SIZE + 1;
    }

    /** Number of its last row. */
    public int last() {
        return first() + rows.size() - 1;
    }

    public boolean alone() {
        return before.isEmpty() && after.isEmpty();
    }

    private static String at(UriComponentsBuilder address, int number) {
        var there = address.cloneBuilder().replaceQueryParam(PAGE, number).build(true);
        return there.getPath() + "?" + there.getQuery();
    }
}
