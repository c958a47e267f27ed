package vividlantern.server.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

/** Whoever is told of a change keeps nobody from the next one, and hears of them in the order in which they were made. */
public class OpenOnesTest {

    private final AtomicInteger made = new AtomicInteger();
    private final OpenOnes<String, String, String, String> open = new OpenOnes<>(id -> new OpenOnes.Held<>(id, null));

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException interrupted) {
            throw new AssertionError(interrupted);
        }
    }

    @Test(timeOut = 60_000)
    public void whoTakesLongToHearOfItKeepsNobodyWaiting() {
        List<Integer> heard = Collections.synchronizedList(new ArrayList<>());
        CountDownLatch listening = new CountDownLatch(1);
        CountDownLatch enough = new CountDownLatch(1);
        CompletableFuture<Integer> first = CompletableFuture.supplyAsync(() -> open.whileHeld("demo", held -> {
            int now = made.incrementAndGet();
            held.tell(() -> {
                listening.countDown();
                await(enough);
                heard.add(now);
            });
            return now;
        }));
        await(listening);
        CountDownLatch changed = new CountDownLatch(1);
        CompletableFuture<Integer> second = CompletableFuture.supplyAsync(() -> open.whileHeld("demo", held -> {
            int now = made.incrementAndGet();
            held.tell(() -> heard.add(now));
            changed.countDown();
            return now;
        }));
        await(changed);
        assertThat(open.<String>whileHeld("other", OpenOnes.Held::whole)).isEqualTo("other");
        assertThat(heard).isEmpty();
        enough.countDown();
        assertThat(first.join()).isEqualTo(1);
        assertThat(second.join()).isEqualTo(2);
        assertThat(heard).containsExactly(1, 2);
    }

    /** As a listener does that asks what a person can undo now. */
    @Test(timeOut = 60_000)
    public void whoIsToldMayAskAndChangeInItsTurn() {
        List<String> heard = new ArrayList<>();
        open.whileHeld("asked", held -> {
            held.tell(() -> {
                heard.add("first begins");
                open.whileHeld("asked", again -> {
                    again.tell(() -> heard.add("second"));
                    return again;
                });
                heard.add("first ends");
            });
            return held;
        });
        assertThat(heard).containsExactly("first begins", "first ends", "second");
    }
}
