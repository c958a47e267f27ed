package vividlantern.server;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.web.server.PortInUseException;

/** Says which port is taken and how to choose another. */
public class PortInUse extends AbstractFailureAnalyzer<PortInUseException> {

    @Override
    protected FailureAnalysis analyze(Throwable root, PortInUseException cause) {
        int port = cause.getPort();
        return new FailureAnalysis(
                "Port " + port + " is in use by another program, perhaps by Vivid Lantern itself.",
                "Choose another port: ./start --port " + (port + 1),
                cause);
    }
}
