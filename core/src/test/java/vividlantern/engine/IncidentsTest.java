package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What went wrong is kept as long as it is wanted, and said once while it lasts. */
public class IncidentsTest {

    private Instant now = Instant.parse("2026-03-01T20:00:00Z");
    private final Clock clock = new Clock() {
        @Override
        public Instant instant() {
            return now;
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    };
    private Incidents incidents;

    @BeforeMethod
    public void anew() {
        incidents = new Incidents(clock);
    }

    @Test
    public void whatLastsIsOneThingAndWhatComesLaterAnother() {
        incidents.late(2, 0, 64);
        assertThat(incidents.newestFirst().get(0).isHeard()).isFalse();
        pass(9);
        incidents.late(3, 250, 64);
        assertThat(incidents.newestFirst()).hasSize(1);
        Incidents.Incident first = incidents.newestFirst().get(0);
        assertThat(first.lateBlocks()).isEqualTo(5);
        assertThat(first.missedMs()).isEqualTo(250);
        assertThat(first.isHeard()).isTrue();
        assertThat(Duration.between(first.at(), first.until())).isEqualTo(Duration.ofSeconds(9));
        pass(10);
        incidents.late(1, 0, 64);
        assertThat(incidents.newestFirst()).hasSize(2);
        assertThat(incidents.newestFirst().get(1)).isEqualTo(first);
        pass(59);
        assertThat(incidents.within(Duration.ofMinutes(1))).isPresent();
        pass(1);
        assertThat(incidents.within(Duration.ofMinutes(1))).isEmpty();
    }

    @Test
    public void theNewestTwoHundredAreKept() {
        for (int n = 1; n <= 201; n++) {
            incidents.add(Incidents.Kind.DEVICE, "Number " + n + ".", 64);
        }
        assertThat(incidents.newestFirst()).hasSize(200);
        assertThat(incidents.newestFirst().get(0).sentence()).isEqualTo("Number 201.");
    }

    private void pass(int seconds) {
        now = now.plusSeconds(seconds);
    }
}
