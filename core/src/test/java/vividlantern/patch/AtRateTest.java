package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.mix.LiveState;
import vividlantern.mix.TrackGains;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Driver;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.DeviceEdit.SetDriver;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.session.edit.SessionEdit.SetSampleRate;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** Digital links carry fewer channels at higher sample rates: said before, and true after. */
public class AtRateTest {

    private static final Rig RIG = RigEdit.applyAll(rig(), Rig.empty(new RigId("loft"), "Loft"));

    /** Eight inputs by the expander's eight channels, and one by the interface itself. */
    private static final Session SESSION = session();

    private static List<RigEdit> rig() {
        List<RigEdit> edits = new ArrayList<>();
        edits.add(ShelfDevices.device("interface-16", "skiff", "Skiff"));
        edits.add(ShelfDevices.device("mic-expander", "raft", "Raft"));
        for (int n = 1; n <= 8; n++) {
            edits.add(new TiePorts(new PortId("raft-in-" + n), new PortId("skiff-in-" + (16 + n))));
        }
        return edits;
    }

    private static Session session() {
        List<Edit> edits = new ArrayList<>();
        for (int n = 1; n <= 9; n++) {
            InputId input = new InputId("i" + n);
            edits.add(new AddInput(input, n, "Source " + n));
            edits.add(new PatchInput(input, new PortId(n == 9 ? "skiff-in-1" : "raft-in-" + n)));
            edits.add(new AddTrack(new TrackId("t" + n), "Track " + n, 1, List.of(Feed.from(input, 0))));
        }
        return Edit.applyAll(edits, Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()), RIG);
    }

    @DataProvider
    public Object[][] channels() {
        return new Object[][] {
            {DigitalLink.OPTICAL, 44_100, 8},
            {DigitalLink.OPTICAL, 48_000, 8},
            {DigitalLink.OPTICAL, 88_200, 4},
            {DigitalLink.OPTICAL, 96_000, 4},
            {DigitalLink.OPTICAL, 176_400, 2},
            {DigitalLink.OPTICAL, 192_000, 2},
            {DigitalLink.COAXIAL, 48_000, 2},
            {DigitalLink.COAXIAL, 192_000, 2},
            {DigitalLink.MADI, 48_000, 64},
            {DigitalLink.MADI, 96_000, 32},
            {DigitalLink.MADI, 192_000, 16},
        };
    }

    @Test(dataProvider = "channels")
    public void aLinkHasItsChannels(DigitalLink link, int sampleRate, int channels) {
        assertThat(link.channels(sampleRate)).isEqualTo(channels);
        assertThat(new DigitalLink.Channel(link, channels).isThere(sampleRate)).isTrue();
        assertThat(new DigitalLink.Channel(link, channels + 1).isThere(sampleRate))
                .isFalse();
    }

    @Test
    public void whatWouldBeLostIsSaidBefore() {
        assertThat(AtRate.lost(SESSION, RIG, 44_100)).isEmpty();
        List<AtRate.Lost> atTwice = AtRate.lost(SESSION, RIG, 96_000);
        assertThat(atTwice)
                .extracting(AtRate.Lost::source)
                .containsExactly("Source 5", "Source 6", "Source 7", "Source 8");
        assertThat(atTwice.get(0))
                .isEqualTo(new AtRate.Lost(
                        new InputId("i5"), "Source 5", "Raft 5", "optical, 4 channels", List.of("Track 5")));
        assertThat(AtRate.lost(SESSION, RIG, 192_000)).hasSize(6);
    }

    @Test
    public void whatWasSaidIsWhatThenIsSilent() {
        Session twice = new SetSampleRate(96_000).applyTo(SESSION, RIG);
        for (int n = 1; n <= 9; n++) {
            int source = new TrackGains(twice, RIG, LiveState.STOPPED)
                    .sources(twice.find(new TrackId("t" + n)).orElseThrow())[0];
            assertThat(source).as("Track " + n).isEqualTo(n == 9 ? 0 : n <= 4 ? 15 + n : -1);
        }
    }

    @Test
    public void channelsThatAreNotThereAreNotOffered() {
        Session twice = new SetSampleRate(96_000).applyTo(SESSION, RIG);
        assertThat(Ports.forInputs(SESSION, RIG, 1))
                .extracting(Ports.OfferedPlace::houseLabel)
                .contains("Raft 8");
        assertThat(Ports.forInputs(twice, RIG, 1))
                .extracting(Ports.OfferedPlace::houseLabel)
                .contains("Raft 4", "Skiff 16")
                .doesNotContain("Raft 5", "Raft 8");
        assertThat(Ports.free(twice, RIG)).noneMatch(port -> port.device().equals("raft"));
    }

    @Test
    public void onlyWhatTheInterfaceRunsAtCanBeChosen() {
        assertThatThrownBy(() -> new SetSampleRate(32_000).applyTo(SESSION, RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Skiff does not run at 32000 Hz");
        Rig plain = new SetDriver("skiff", new Driver(List.of(48_000, 44_100), List.of(256), false)).applyTo(RIG);
        assertThatThrownBy(() -> new SetSampleRate(96_000).applyTo(SESSION, plain))
                .hasMessageContaining("it runs at [44100, 48000]");
        assertThatThrownBy(() -> new SetBuffer(128).applyTo(SESSION, plain))
                .hasMessageContaining("no buffer of 128 frames; it has [256]");
        assertThat(new SetBuffer(256).applyTo(SESSION, plain).bufferFrames()).isEqualTo(256);
    }

    @Test
    public void aSecondOpticalCableBeginsAtItsFirstChannelAgain() {
        Rig large = RigEdit.applyAll(
                List.of(ShelfDevices.device("interface-32", "barge", "Barge")), Rig.empty(new RigId("b"), "B"));
        // 32 analog inputs, then two optical cables of eight.
        assertThat(large.port(new PortId("barge-in-40")).orElseThrow().link())
                .contains(new DigitalLink.Channel(DigitalLink.OPTICAL, 8));
        assertThat(large.port(new PortId("barge-in-41")).orElseThrow().link())
                .contains(new DigitalLink.Channel(DigitalLink.OPTICAL, 1));
        assertThat(large.carries(new PortId("barge-in-45"), 96_000)).isFalse();
        assertThat(large.carries(new PortId("barge-in-44"), 96_000)).isTrue();
    }
}
