package vividlantern.server.store;

import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;

/** Counts what is written, so that a copy is made only if something was. */
@Component
public class Changes {

    private final AtomicLong count = new AtomicLong();

    public void more() {
        count.incrementAndGet();
    }

    public long count() {
        return count.get();
    }
}
