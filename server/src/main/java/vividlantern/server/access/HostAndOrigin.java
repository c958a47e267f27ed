package vividlantern.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets through only what is addressed to this machine by one of its own names and, if it comes from a page, from our own
 * page. So no foreign page can reach the engine through the browser of somebody who visits it.
 */
final class HostAndOrigin extends OncePerRequestFilter {

    private static final Set<String> OWN_NAMES = Set.of("localhost", "127.0.0.1", "[::1]");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null || !OWN_NAMES.contains(host.replaceFirst(":\\d+$", ""))) {
            refuse(response, "This program answers on this machine only; open it as http://localhost.");
        } else if (origin != null && !origin.equals(request.getScheme() + "://" + host) || isOfForeignPage(request)) {
            refuse(response, "The request comes from a page of another site.");
        } else {
            chain.doFilter(request, response);
        }
    }

    /** Browsers say where a request comes from, also where they name no origin. A link that leads to our page is no harm. */
    private static boolean isOfForeignPage(HttpServletRequest request) {
        String from = request.getHeader("Sec-Fetch-Site");
        boolean foreign = "cross-site".equals(from) || "same-site".equals(from);
        boolean link = "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && !request.getRequestURI().startsWith("/api/");
        return foreign && !link;
    }

    private static void refuse(HttpServletResponse response, String reason) throws IOException {
        ProblemText.send(response, HttpStatus.FORBIDDEN, reason);
    }
}
