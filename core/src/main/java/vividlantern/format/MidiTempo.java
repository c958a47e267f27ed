package vividlantern.format;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.Track;
import vividlantern.session.Session;
import vividlantern.session.song.Marker;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * A session's tempo map as a Standard MIDI File: tempos as round(60 000 000/b) µs a quarter note, time signatures, markers.
 * A ramp is written as steps of a quarter of a quarter note, and once more exactly in a text event
 * "vivid-lantern ramp FROM TO QUARTERS", which other programs skip. A pick-up is a short bar before the others; it and the end stand in
 * a text event "vivid-lantern song PICK-UP LAST-BAR" too, in how many a bar is felt in "vivid-lantern felt IN", and the note that a
 * tempo counts in "vivid-lantern counts NOTE" where it is another than the one that people count. {@link MidiSong} reads all that back.
 */
public final class MidiTempo {

    private static final int TICKS_PER_QUARTER = 960;
    private static final double STEP_QUARTERS = 0.25;
    private static final int TEXT = 0x01;
    private static final int TRACK_NAME = 0x03;
    private static final int MARKER = 0x06;
    private static final int TEMPO = 0x51;
    private static final int TIME_SIGNATURE = 0x58;

    private MidiTempo() {}

    public static void write(Session session, OutputStream out) throws IOException {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS_PER_QUARTER);
            Track track = sequence.createTrack();
            TempoCurve curve = session.tempoMap().curve();
            TempoMap map = session.tempoMap();
            add(track, 0, TRACK_NAME, text(session.song()));
            addBeginningAndEnd(track, map);
            for (TempoMap.Meter meter : map.meters()) {
                add(
                        track,
                        map.pickUpQuarters() + curve.quarterOf(meter.bar(), 0),
                        TIME_SIGNATURE,
                        signature(meter, meter.beats()));
                if (meter.feltIn() > 0) {
                    add(
                            track,
                            map.pickUpQuarters() + curve.quarterOf(meter.bar(), 0),
                            TEXT,
                            text("vivid-lantern felt " + meter.feltIn()));
                }
            }
            for (int at = 0; at < map.tempos().size(); at++) {
                addTempo(track, map, curve, at);
            }
            for (Marker marker : session.markers()) {
                double quarter = Math.max(0, curve.quarterOf(marker.bar(), 0));
                add(track, map.pickUpQuarters() + quarter, MARKER, text(marker.name()));
            }
            MidiSystem.write(sequence, 0, out);
        } catch (InvalidMidiDataException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static void addBeginningAndEnd(Track track, TempoMap map) throws InvalidMidiDataException {
        double pickUp = map.pickUpQuarters();
        if (pickUp > 0 || map.lastBar().isPresent()) {
            String last = map.lastBar().map(String::valueOf).orElse("open");
            add(track, 0, TEXT, text("vivid-lantern song " + pickUp + " " + last));
        }
        if (pickUp > 0) {
            TempoMap.Meter first = map.meters().get(0);
            add(track, 0, TIME_SIGNATURE, signature(first, (int) Math.ceil(pickUp / first.quartersPerBeat())));
            add(track, 0, TEMPO, micros(map.tempos().get(0).quartersPerMinute()));
        }
    }

    /** With the MIDI clocks from one count to the next, and 8 demisemiquavers a quarter note. */
    private static byte[] signature(TempoMap.Meter meter, int beats) {
        int power = Integer.numberOfTrailingZeros(meter.noteValue());
        return new byte[] {(byte) beats, (byte) power, (byte) (96 / meter.noteValue() * meter.beatsPerCount()), 8};
    }

    private static void addTempo(Track track, TempoMap map, TempoCurve curve, int at) throws InvalidMidiDataException {
        TempoMap.Tempo tempo = map.tempos().get(at);
        if (tempo.unit() != curve.meterAt(tempo.atQuarter()).counted()) {
            add(track, map.pickUpQuarters() + tempo.atQuarter(), TEXT, text("vivid-lantern counts " + tempo.unit()));
        }
        if (!tempo.rampToNext() || at + 1 == map.tempos().size()) {
            add(track, map.pickUpQuarters() + tempo.atQuarter(), TEMPO, micros(tempo.quartersPerMinute()));
            return;
        }
        TempoMap.Tempo next = map.tempos().get(at + 1);
        double length = next.atQuarter() - tempo.atQuarter();
        add(
                track,
                map.pickUpQuarters() + tempo.atQuarter(),
                TEXT,
                text(String.format(
                        Locale.ROOT,
                        "vivid-lantern ramp %s %s %s",
                        tempo.quartersPerMinute(),
                        next.quartersPerMinute(),
                        length)));
        int steps = (int) Math.ceil(length / STEP_QUARTERS);
        for (int step = 0; step < steps; step++) {
            double from = tempo.atQuarter() + length * step / steps;
            double to = tempo.atQuarter() + length * (step + 1) / steps;
            double quarters = (to - from) * 60 / (curve.seconds(to) - curve.seconds(from));
            add(track, map.pickUpQuarters() + from, TEMPO, micros(quarters));
        }
    }

    private static byte[] micros(double quartersPerMinute) {
        long micros = Math.round(60_000_000 / quartersPerMinute);
        return new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros};
    }

    private static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static void add(Track track, double quarter, int type, byte[] data) throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), Math.round(quarter * TICKS_PER_QUARTER)));
    }
}
