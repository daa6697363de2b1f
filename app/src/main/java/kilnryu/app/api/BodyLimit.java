package kilnryu.app.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Reads no more of an API question than it may have, however its length is stated. */
@Component
class BodyLimit extends OncePerRequestFilter {
    private static final long MOST = 2_000_000;

    /** The body passed its limit. */
    static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String address =
                request.getRequestURI().substring(request.getContextPath().length());
        // a mesh is limited as every upload is, by the multipart settings
        return !address.startsWith("/api/") || address.equals("/api/compute/mesh");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(
                new HttpServletRequestWrapper(request) {
                    @Override
                    public ServletInputStream getInputStream() throws IOException {
                        return new Counted(super.getInputStream());
                    }
                },
                response);
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream in;
        private long read;

        Counted(ServletInputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int next = in.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int got = in.read(into, from, most);
            count(Math.max(got, 0));
            return got;
        }

        private void count(int more) throws TooLarge {
            read += more;
            if (read > MOST) {
                throw new TooLarge();
            }
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
