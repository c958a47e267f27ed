package vividlantern.session.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.ChainEdit.SetChain;

/** The chains that ship are such as anybody could set, each another one. */
public class StartingPointTest {

    @Test
    public void thereAreFourteenAtLeastEachWithANameAndASentence() {
        assertThat(StartingPoint.SHIPPED).hasSizeGreaterThanOrEqualTo(14);
        assertThat(StartingPoint.SHIPPED).extracting(StartingPoint::name).doesNotHaveDuplicates();
        assertThat(StartingPoint.SHIPPED).extracting(StartingPoint::chain).doesNotHaveDuplicates();
        assertThat(StartingPoint.SHIPPED).allSatisfy(each -> {
            assertThat(each.about()).endsWith(".");
            assertThat(each.chain().effects()).isNotEmpty();
        });
    }

    /** Put into a track they are there as they are, and every number stands in its range and on its step. */
    @Test
    public void eachCanBePutIntoATrack() {
        Session session = RandomSessions.session(3);
        TrackId track = new TrackId("t0");
        for (StartingPoint point : StartingPoint.SHIPPED) {
            Session with =
                    new SetChain(track, Chains.Place.PRINTED, point.chain()).applyTo(session, RandomSessions.RIG);
            assertThat(with.chainsOf(track).printed()).as(point.name()).isEqualTo(point.chain());
        }
    }

    /** As in the row of a track. */
    @Test
    public void aChainIsReadFromLeftToRight() {
        StartingPoint driven = StartingPoint.SHIPPED.stream()
                .filter(point -> point.name().equals("Guitar as an amp, driven"))
                .findFirst()
                .orElseThrow();
        assertThat(driven.chain().words()).isEqualTo("high-pass 110 Hz \u2192 drive 80 % \u2192 speaker 12 inch");
        Inserted bands = Inserted.of(new EffectId("e"), EffectType.EQ)
                .with(List.of(
                        new EffectValue(EffectNumber.HIGH_MID_HZ, 3100),
                        new EffectValue(EffectNumber.HIGH_MID_LEVEL, 2)));
        assertThat(bands.words()).isEqualTo("EQ +2.0 dB at 3.1 kHz");
        assertThat(bands.on(false).words()).isEqualTo("EQ +2.0 dB at 3.1 kHz, off");
        assertThat(Inserted.of(new EffectId("r"), EffectType.REVERB).words()).isEqualTo("reverb medium, 1.10 s");
        Inserted echo = Inserted.of(new EffectId("e"), EffectType.ECHO);
        assertThat(echo.words()).isEqualTo("echo quaver");
        assertThat(echo.with(List.of(new EffectValue(EffectNumber.NOTE, 0))).words())
                .isEqualTo("echo 350 ms");
        assertThat(Optional.of(Inserted.of(new EffectId("c"), EffectType.COMPRESSOR))
                        .map(Inserted::words))
                .contains("compressor 3 : 1");
    }
}
