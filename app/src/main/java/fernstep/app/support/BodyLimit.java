package fernstep.app.support;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** No request says more than it may: two megabytes, files apart, whose pages have limits of their own. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class BodyLimit extends OncePerRequestFilter {
    static final long MOST_BYTES = 2L << 20;
    /** With the fields beside it; each page that takes files says its own limit below this. */
    static final long MOST_BYTES_OF_A_FILE = 25L << 20;

    /** Thrown while a body is read that did not say how long it is. */
    static final class TooMuch extends IOException {
        private static final long serialVersionUID = 1L;

        TooMuch() {
            super("more than " + MOST_BYTES + " bytes");
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain rest)
            throws ServletException, IOException {
        String type = request.getContentType();
        boolean file = type != null && type.startsWith("multipart/");
        if (file && request.getContentLengthLong() > MOST_BYTES_OF_A_FILE) {
            // before anybody reads a field of it: the server itself would answer with a page of its own
            response.sendError(HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
        } else if (file) {
            rest.doFilter(request, response);
        } else if (request.getContentLengthLong() > MOST_BYTES) {
            response.sendError(HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
        } else if (request.getContentLengthLong() < 0) {
            rest.doFilter(new Counted(request), response);
        } else {
            rest.doFilter(request, response);
        }
    }

    private static final class Counted extends HttpServletRequestWrapper {
        Counted(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new CountedStream(super.getInputStream());
        }
    }

    private static final class CountedStream extends ServletInputStream {
        private final ServletInputStream in;
        private long left = MOST_BYTES;

        CountedStream(ServletInputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] to, int from, int most) throws IOException {
            int some = in.read(to, from, most);
            count(Math.max(0, some));
            return some;
        }

        private void count(int bytes) throws TooMuch {
            left -= bytes;
            if (left < 0) {
                throw new TooMuch();
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
