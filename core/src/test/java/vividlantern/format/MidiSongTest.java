package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.groups.Tuple.tuple;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;

/** Songs from MIDI files: our own come back as they were, those of others as they stand there, written here byte by byte. */
public class MidiSongTest {

    private static byte[] file(int kind, int tracks, int division, byte[]... chunks) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        all.writeBytes(ByteBuffer.allocate(14)
                .put("MThd".getBytes(StandardCharsets.US_ASCII))
                .putInt(6)
                .putShort((short) kind)
                .putShort((short) tracks)
                .putShort((short) division)
                .array());
        Arrays.stream(chunks).forEach(all::writeBytes);
        return all.toByteArray();
    }

    private static byte[] track(int... bytes) {
        ByteBuffer events = ByteBuffer.allocate(8 + bytes.length)
                .put("MTrk".getBytes(StandardCharsets.US_ASCII))
                .putInt(bytes.length);
        for (int each : bytes) {
            events.put((byte) each);
        }
        return events.array();
    }

    /** A file of one track with 96 ticks a quarter note. */
    private static MidiSong song(int... bytes) {
        return MidiSong.read(file(0, 1, 96, track(bytes)));
    }

    @Test
    public void anotherProgramsSongIsReadWithWhateverElseIsInIt() {
        MidiSong song = MidiSong.read(file(
                1,
                2,
                96,
                track(
                        0, 0xFF, 0x03, 4, 'S', 'o', 'n', 'g', //
                        0, 0xFF, 0x58, 4, 6, 3, 36, 8, // 6/8, a clock every dotted crotchet
                        0, 0xFF, 0x51, 3, 0x07, 0xA1, 0x20, // 500 000 µs: 120 crotchets, 80 of what one counts
                        0, 0xFF, 0x06, 5, 'V', 'e', 'r', 's', 'e', //
                        0x84, 0x40, 0xFF, 0x58, 4, 4, 2, 24, 8, // after 576 ticks, two bars of 6/8, 4/4
                        0, 0xFF, 0x51, 3, 0x06, 0x1A, 0x80, // 400 000 µs: 150
                        0x60, 0xFF, 0x06, 1, 'B', // a beat into bar 3
                        0, 0xFF, 0x2F, 0),
                track(
                        0, 0x90, 60, 100, 0x60, 60, 0, // a note, and its end with the status before
                        0, 0xC0, 5, 0, 0xF0, 2, 1, 0xF7, // a program, something of a device's own
                        0, 0xFF, 0x2F, 0)));
        assertThat(song.tempoMap().meters())
                .containsExactly(new TempoMap.Meter(1, 6, 8, 2), new TempoMap.Meter(3, 4, 4));
        assertThat(song.tempoMap().tempos())
                .containsExactly(
                        new TempoMap.Tempo(0, 80, NoteValue.DOTTED_CROTCHET, false),
                        new TempoMap.Tempo(6, 150, NoteValue.CROTCHET, false));
        assertThat(song.parts()).containsExactly(new MidiSong.Part("Verse", 1), new MidiSong.Part("B", 3));
        assertThat(song.notes()).isEmpty();
    }

    /** Many programs write it, though the format ends a running status there; the JDK's own reader refuses such a file. */
    @Test
    public void aRunningStatusMayGoOnAfterATempoOrWhatADeviceOwns() {
        MidiSong song = song(
                0, 0x90, 60, 100, //
                0, 0xFF, 0x51, 3, 0x06, 0x1A, 0x80, // 150
                0x60, 60, 0, // the note's end, still with the status of its beginning
                0, 0xF0, 2, 1, 0xF7, //
                0, 61, 100, //
                0, 0xFF, 0x06, 1, 'A', //
                0, 0xFF, 0x2F, 0);
        assertThat(song.tempoMap()).isEqualTo(TempoMap.steady(150, 4, 4));
        assertThat(song.parts()).hasSize(1);
    }

    @Test
    public void withoutATempoItIsOneHundredAndTwentyAndThatIsSaid() {
        MidiSong song = song(0, 0xFF, 0x2F, 0);
        assertThat(song.tempoMap()).isEqualTo(TempoMap.steady(120, 4, 4));
        assertThat(song.notes()).hasSize(1).first().asString().contains("no tempo");
    }

    @Test
    public void partsOfOneNameOrAtOneBarAreToldApart() {
        MidiSong song =
                song(0, 0xFF, 0x06, 1, 'A', 8, 0xFF, 0x06, 1, 'C', 0x83, 0x00, 0xFF, 0x06, 1, 'a', 0, 0xFF, 0x2F, 0);
        assertThat(song.parts()).containsExactly(new MidiSong.Part("A", 1), new MidiSong.Part("a 2", 2));
        assertThat(song.notes()).anyMatch(note -> note.contains("\"C\" begins where \"A\" does"));
    }

    /** Random maps of all kinds: the same bars, the same times to a tenth of a millisecond, the same parts. */
    @Test
    public void whatIsWrittenIsReadAgain() throws IOException {
        Random random = new Random(5);
        for (int round = 0; round < 200; round++) {
            Session session = RandomSessions.blank()
                    .with(map(random))
                    .withMarkers(List.of(
                            new Marker(new MarkerId("v"), "Verse", 1 + random.nextInt(5)),
                            new Marker(new MarkerId("b"), "Bridge", 7 + random.nextInt(20))));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiTempo.write(session, out);
            MidiSong read = MidiSong.read(out.toByteArray());
            TempoMap was = session.tempoMap();
            TempoMap is = read.tempoMap();
            assertThat(is.meters()).isEqualTo(was.meters());
            assertThat(is.pickUpQuarters()).isEqualTo(was.pickUpQuarters());
            assertThat(is.lastBar()).isEqualTo(was.lastBar());
            assertThat(is.tempos()).hasSameSizeAs(was.tempos());
            for (int at = 0; at < was.tempos().size(); at++) {
                assertThat(is.tempos().get(at).unit())
                        .isEqualTo(was.tempos().get(at).unit());
                assertThat(is.tempos().get(at).beatsPerMinute())
                        .isCloseTo(was.tempos().get(at).beatsPerMinute(), within(1e-9));
                assertThat(is.tempos().get(at).rampToNext())
                        .isEqualTo(was.tempos().get(at).rampToNext());
                assertThat(is.tempos().get(at).atQuarter())
                        .isCloseTo(was.tempos().get(at).atQuarter(), within(1 / 960.0));
            }
            assertThat(read.parts())
                    .extracting(MidiSong.Part::bar)
                    .containsExactlyElementsOf(
                            session.markers().stream().map(Marker::bar).toList());
            Session again = Edit.applyAll(read.edits(session), session, RandomSessions.RIG);
            assertThat(again.tempoMap()).isEqualTo(is);
            assertThat(again.markers()).extracting(Marker::name).containsExactly("Verse", "Bridge");
        }
    }

    private static TempoMap map(Random random) {
        List<TempoMap.Meter> meters = new ArrayList<>();
        int[][] signatures = {{4, 4}, {3, 4}, {7, 8}, {5, 4}};
        meters.add(new TempoMap.Meter(1, 6, 8, random.nextBoolean() ? 2 : 0));
        for (int at = 0; at < random.nextInt(4); at++) {
            int[] signature = signatures[random.nextInt(4)];
            TempoMap.Meter last = meters.get(meters.size() - 1);
            if (last.beats() != signature[0]) {
                int feltIn = signature[0] == 4 && random.nextBoolean() ? 2 : 0;
                meters.add(new TempoMap.Meter(last.bar() + 1 + random.nextInt(9), signature[0], signature[1], feltIn));
            }
        }
        TempoMap bars = new TempoMap(TempoMap.steady(100, 4, 4).tempos(), meters);
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        double before = 0;
        for (int at = 0; at < 6; at++) {
            double bpm = Math.rint(100 * (60 + 100 * random.nextDouble())) / 100;
            double quarter = at == 0 ? 0 : before + bars.curve().quarterOf(1 + 2 * at, 0) / 8 + 0.25;
            quarter = Math.rint(quarter * 16) / 16;
            NoteValue unit = NoteValue.values()[random.nextInt(NoteValue.values().length)];
            tempos.add(new TempoMap.Tempo(quarter, bpm, unit, at < 5 && random.nextInt(3) == 0));
            before = quarter;
        }
        return new TempoMap(
                tempos,
                meters,
                random.nextBoolean() ? 1 : 0,
                random.nextBoolean() ? Optional.of(40) : Optional.empty());
    }

    /** What is known of a part stays with its name; parts that change places, that are new, that are gone. */
    @Test
    public void aPartThatTheSessionHasIsMovedAndKeepsWhatIsKnownOfIt() {
        Session session = RandomSessions.blank()
                .withMarkers(List.of(
                        new Marker(new MarkerId("a"), "Verse", 1, true),
                        new Marker(new MarkerId("b"), "Bridge", 9, true),
                        new Marker(new MarkerId("c"), "Gone", 17)));
        MidiSong song = new MidiSong(
                TempoMap.steady(100, 4, 4),
                List.of(new MidiSong.Part("Intro", 1), new MidiSong.Part("verse", 9), new MidiSong.Part("Bridge", 17)),
                List.of());
        assertThat(Edit.applyAll(song.edits(session), session, RandomSessions.RIG)
                        .markers())
                .containsExactly(
                        new Marker(new MarkerId("intro"), "Intro", 1),
                        new Marker(new MarkerId("a"), "verse", 9, true),
                        new Marker(new MarkerId("b"), "Bridge", 17, true));
        MidiSong swapped = new MidiSong(
                TempoMap.steady(100, 4, 4),
                List.of(new MidiSong.Part("Bridge", 1), new MidiSong.Part("Verse", 9)),
                List.of());
        assertThat(Edit.applyAll(swapped.edits(session), session, RandomSessions.RIG)
                        .markers())
                .extracting(Marker::name, Marker::bar)
                .containsExactly(tuple("Bridge", 1), tuple("Verse", 9));
    }

    @Test
    public void aHundredThousandTemposAreReadAndRefused() {
        ByteArrayOutputStream events = new ByteArrayOutputStream();
        for (int at = 0; at < 100_000; at++) {
            events.writeBytes(new byte[] {1, (byte) 0xFF, 0x51, 3, 7, (byte) (at % 200), 0x20});
        }
        assertThatThrownBy(() -> song(events))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("A song has at most 1000 tempos");
    }

    private static MidiSong song(ByteArrayOutputStream events) {
        return MidiSong.read(file(
                0,
                1,
                96,
                ByteBuffer.allocate(8 + events.size())
                        .put("MTrk".getBytes(StandardCharsets.US_ASCII))
                        .putInt(events.size())
                        .put(events.toByteArray())
                        .array()));
    }

    /** A bar of 4/4 has 384 ticks, which are written as 0x83 0x00. */
    private static ByteArrayOutputStream aBarApart(int count, byte[]... events) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (int at = 0; at < count; at++) {
            all.writeBytes(new byte[] {(byte) 0x83, 0});
            all.writeBytes(events[at % events.length]);
        }
        return all;
    }

    @Test
    public void aSongHasAsManyPartsOfOneNameAsItCanHaveAndNoMore() {
        byte[] part = {(byte) 0xFF, 6, 1, 'A'};
        Session session = RandomSessions.blank();
        for (Edit edit : song(aBarApart(1000, part)).edits(session)) {
            session = edit.applyTo(session, RandomSessions.RIG);
        }
        assertThat(session.markers()).hasSize(1000);
        assertThat(session.markers().get(999).name()).isEqualTo("A 1000");
        assertThat(session.markers().get(999).bar()).isEqualTo(1001);
        assertThatThrownBy(() -> song(aBarApart(20_000, part)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("more than 1000 markers");
    }

    @Test
    public void twentyThousandTimeSignaturesAreReadAndRefused() {
        byte[] inFour = {(byte) 0xFF, 0x58, 4, 4, 2, 24, 8};
        byte[] inTwo = {(byte) 0xFF, 0x58, 4, 2, 1, 24, 8};
        assertThatThrownBy(() -> song(aBarApart(20_000, inFour, inTwo)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("as many time signatures");
    }

    @DataProvider
    public Object[][] unfit() {
        byte[] end = track(0, 0xFF, 0x2F, 0);
        byte[] whole = file(0, 1, 96, track(0, 0xFF, 0x51, 3, 7, 0xA1, 0x20, 0, 0xFF, 0x2F, 0));
        return new Object[][] {
            {new byte[0], "It is no MIDI file."},
            {"no song at all".getBytes(StandardCharsets.US_ASCII), "It is no MIDI file."},
            {Arrays.copyOf(whole, whole.length - 3), "It is cut off."},
            {file(0, 1, 96), "It is cut off: it says that it has 1 tracks, and 0 are there."},
            {file(2, 1, 96, end), "It is of type 2"},
            {file(1, 1, 0xE728, end), "It counts in frames of film"},
            {file(1, 1, 0, end), "It counts in frames of film"},
            {file(0, 1, 96, track(0, 0xFF, 0x58, 4, 0, 2, 24, 8)), "a time signature of 0/4"},
            {file(0, 1, 96, track(0, 0xFF, 0x58, 4, 5, 5, 24, 8)), "a time signature of 5/32"},
            {file(0, 1, 96, track(0x60, 0xFF, 0x58, 4, 3, 2, 24, 8)), "in the middle of bar 1."},
            {file(0, 1, 96, track(0, 0xFF, 0x51, 3, 0, 0, 0)), "endlessly fast"},
            {file(0, 1, 96, track(0, 0xFF, 0x51, 3, 0xFF, 0xFF, 0xFF)), "between 10 and 600"},
            {file(0, 1, 96, track(0, 0xFF, 0x51, 200)), "It is cut off in an event."},
            {file(0, 1, 96, track(0, 60, 100)), "It is damaged."},
            {file(0, 1, 96, track(0x80, 0x80, 0x80, 0x80, 0x80)), "It is damaged."},
        };
    }

    @Test(dataProvider = "unfit")
    public void whatIsUnfitSaysWhy(byte[] bytes, String why) {
        assertThatThrownBy(() -> MidiSong.read(bytes))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("This MIDI file was not taken in.")
                .hasMessageContaining(why);
    }
}
