package vividlantern.server;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.store.copies.Restoring;

/** Begins the program anew within its process, at the same address, with a copy in the place of its database. */
@Component
public class Restart {

    private static final Logger LOG = LoggerFactory.getLogger(Restart.class);

    private static final String FOR_ONE_START = "--(lantern\\.restore|lantern\\.as-it-is|server\\.port)=.*";

    private final ConfigurableApplicationContext program;
    private final ApplicationArguments arguments;
    private final DataFolder folder;
    private final AtomicBoolean underWay = new AtomicBoolean();

    Restart(ConfigurableApplicationContext program, ApplicationArguments arguments, DataFolder folder) {
        this.program = program;
        this.arguments = arguments;
        this.folder = folder;
    }

    /**
     * Reads a copy through, then begins anew with it; returns before that.
     *
     * @throws Refused if the copy cannot be used
     */
    public void with(Path copy) {
        if (!underWay.compareAndSet(false, true)) {
            throw new Refused("A copy is being put in place already.", "");
        }
        try {
            DataFolder unpacked = Restoring.prepare(copy, folder);
            Thread beginning = new Thread(() -> beginAnew(unpacked), "restart");
            beginning.setDaemon(false);
            beginning.start();
        } catch (IOException failed) {
            LOG.warn("{} could not be unpacked.", copy, failed);
            underWay.set(false);
            throw new Refused("The copy could not be unpacked. See whether the disk is full, then try again.", "");
        } catch (RuntimeException failed) {
            underWay.set(false);
            throw failed;
        }
    }

    private void beginAnew(DataFolder unpacked) {
        int port = ((WebServerApplicationContext) program).getWebServer().getPort();
        String[] again = Stream.concat(
                        Arrays.stream(arguments.getSourceArgs()).filter(each -> !each.matches(FOR_ONE_START)),
                        Stream.of("--server.port=" + port))
                .toArray(String[]::new);
        program.close();
        try {
            folder.replaceDatabase(unpacked)
                    .ifPresent(kept -> LOG.info("A copy took the place of the database, which is kept as {}.", kept));
        } catch (IOException failed) {
            LOG.error("The copy could not be put in place; the program goes on with what it had.", failed);
        }
        VividLantern.run(again);
    }
}
