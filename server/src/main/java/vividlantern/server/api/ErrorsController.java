package vividlantern.server.api;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import vividlantern.server.access.OwnWords;
import vividlantern.server.access.ProblemText;

/** What is answered where something went wrong outside the controllers. */
@Controller
@Hidden
class ErrorsController implements ErrorController {

    @RequestMapping("/error")
    void error(HttpServletRequest request, HttpServletResponse response) throws IOException {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus known = code instanceof Integer number ? HttpStatus.resolve(number) : HttpStatus.NOT_FOUND;
        HttpStatus status = known == null ? HttpStatus.INTERNAL_SERVER_ERROR : known;
        ProblemText.send(response, status, OwnWords.sentence(status));
    }
}
