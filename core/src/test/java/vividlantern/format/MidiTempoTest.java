package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.Track;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;

public class MidiTempoTest {

    private record Meta(long tick, int type, byte[] data) {}

    @Test
    public void aTempoIsWrittenInMicrosecondsAQuarter() throws Exception {
        Meta tempo = metas(TempoMap.steady(137, 7, 8), 0x51).get(0);
        assertThat(micros(tempo)).isEqualTo(437_956);
        assertThat(Math.rint(60_000_000.0 / micros(tempo) * 100) / 100).isEqualTo(137.00);
        byte[] meter = metas(TempoMap.steady(137, 7, 8), 0x58).get(0).data();
        assertThat(meter).containsExactly(7, 3, 12, 8);
    }

    @Test
    public void metersAndMarkersStandAtTheirBars() throws Exception {
        TempoMap map = new TempoMap(
                List.of(new TempoMap.Tempo(0, 120, NoteValue.CROTCHET, false)),
                List.of(new TempoMap.Meter(1, 3, 4), new TempoMap.Meter(3, 4, 4)));
        assertThat(metas(map, 0x58)).extracting(Meta::tick).containsExactly(0L, 6 * 960L);
        Meta marker = metas(map, 0x06).get(0);
        assertThat(marker.tick()).isEqualTo(10 * 960);
        assertThat(new String(marker.data(), StandardCharsets.UTF_8)).isEqualTo("Bridge");
    }

    @Test
    public void theStepsOfARampTakeAsLongAsTheRampAndStandThereExactlyToo() throws Exception {
        TempoMap map = new TempoMap(
                List.of(
                        new TempoMap.Tempo(0, 90, NoteValue.CROTCHET, true),
                        new TempoMap.Tempo(16, 120, NoteValue.CROTCHET, false)),
                List.of(new TempoMap.Meter(1, 4, 4)));
        List<Meta> tempos = metas(map, 0x51);
        assertThat(tempos).hasSize(65);
        double seconds = 0;
        for (int at = 0; at < 64; at++) {
            double quarters = (tempos.get(at + 1).tick() - tempos.get(at).tick()) / 960.0;
            assertThat(quarters).isLessThanOrEqualTo(0.25);
            seconds += quarters * micros(tempos.get(at)) / 1e6;
        }
        assertThat(seconds).isCloseTo(9.205826, within(1e-5));
        assertThat(new String(metas(map, 0x01).get(0).data(), StandardCharsets.UTF_8))
                .isEqualTo("vivid-lantern ramp 90.0 120.0 16.0");
    }

    private static int micros(Meta tempo) {
        byte[] data = tempo.data();
        return (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
    }

    /** What another program reads of the file: its meta events of one type. */
    private static List<Meta> metas(TempoMap map, int type) throws Exception {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        MidiTempo.write(
                RandomSessions.blank().with(map).withMarkers(List.of(new Marker(new MarkerId("b"), "Bridge", 4))),
                file);
        Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(file.toByteArray()));
        assertThat(sequence.getResolution()).isEqualTo(960);
        List<Meta> found = new ArrayList<>();
        Track track = sequence.getTracks()[0];
        for (int at = 0; at < track.size(); at++) {
            MidiEvent event = track.get(at);
            if (event.getMessage() instanceof MetaMessage meta && meta.getType() == type) {
                found.add(new Meta(event.getTick(), type, meta.getData()));
            }
        }
        return found;
    }
}
