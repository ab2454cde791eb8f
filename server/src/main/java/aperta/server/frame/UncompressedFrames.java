package aperta.server.frame;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps the container from packing frames for their way (permessage-deflate, RFC 7692), by hiding that the browser
 * offers to unpack them: packing a frame costs more than making it, and on loopback the way is short.
 */
@Component
class UncompressedFrames extends OncePerRequestFilter {
    private static final String OFFER = "Sec-WebSocket-Extensions";

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/ws/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(new WithoutOffer(request), response);
    }

    private static final class WithoutOffer extends HttpServletRequestWrapper {
        WithoutOffer(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getHeader(String name) {
            return OFFER.equalsIgnoreCase(name) ? null : super.getHeader(name);
        }

        @Override
        public Enumeration<String> getHeaders(String name) {
            return OFFER.equalsIgnoreCase(name) ? Collections.emptyEnumeration() : super.getHeaders(name);
        }
    }
}
