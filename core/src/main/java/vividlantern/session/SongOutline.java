package vividlantern.session;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * A song laid out over its bars, as it is drawn.
 *
 * @param bars how many are shown: those that something is known of, and some more
 * @param seconds from the start of bar 1 to the end of them
 * @param falls how each voice of the click falls in a bar of each time signature that the song has
 */
public record SongOutline(
        int bars,
        double seconds,
        List<OutlinedTempo> tempos,
        List<TempoMap.Meter> meters,
        List<SongPart> parts,
        List<VoiceInBar> falls) {

    private static final int MORE_BARS = 8;
    private static final int LEAST_BARS = 16;

    /**
     * A tempo, and where it begins.
     *
     * @param beat from 1, with its fraction
     * @param place in bars from 1, with the fraction of the bar
     * @param quartersPerMinute what it comes to in quarter notes, by which tempos of different notes compare
     */
    public record OutlinedTempo(
            int bar,
            double beat,
            double place,
            double beatsPerMinute,
            NoteValue unit,
            double quartersPerMinute,
            boolean rampToNext) {}

    /** A part of the song: from its marker to the next one, or to the end of what is shown. */
    public record SongPart(MarkerId marker, String name, int bar, int bars) {}

    /** What the steps of a voice are in each bar of a time signature. */
    public record VoiceInBar(VoiceId voice, int beats, int noteValue, List<ClickPattern.Stroke> strokes) {}

    public static SongOutline of(Session session) {
        TempoMap map = session.tempoMap();
        TempoCurve curve = map.curve();
        List<OutlinedTempo> tempos =
                map.tempos().stream().map(tempo -> outlined(tempo, curve)).toList();
        int lastKnown = Stream.of(
                        tempos.stream().map(OutlinedTempo::bar),
                        map.meters().stream().map(TempoMap.Meter::bar),
                        session.markers().stream().map(Marker::bar))
                .flatMap(bars -> bars)
                .mapToInt(Integer::intValue)
                .max()
                .orElse(1);
        int bars = Math.max(LEAST_BARS, lastKnown - 1 + MORE_BARS);
        return new SongOutline(
                bars,
                curve.seconds(curve.quarterOf(bars + 1, 0)),
                tempos,
                map.meters(),
                parts(session.markers(), bars),
                falls(session));
    }

    private static List<VoiceInBar> falls(Session session) {
        List<VoiceInBar> falls = new ArrayList<>();
        for (ClickPattern.Voice voice : session.click().voices()) {
            session.tempoMap().meters().stream()
                    .map(meter -> new VoiceInBar(voice.id(), meter.beats(), meter.noteValue(), voice.strokes(meter)))
                    .distinct()
                    .forEach(falls::add);
        }
        return falls;
    }

    private static OutlinedTempo outlined(TempoMap.Tempo tempo, TempoCurve curve) {
        int bar = curve.barAt(tempo.atQuarter());
        double beat = curve.beatAt(tempo.atQuarter());
        return new OutlinedTempo(
                bar,
                beat + 1,
                bar + beat / curve.beatsIn(bar),
                tempo.beatsPerMinute(),
                tempo.unit(),
                tempo.quartersPerMinute(),
                tempo.rampToNext());
    }

    private static List<SongPart> parts(List<Marker> markers, int bars) {
        List<SongPart> parts = new ArrayList<>();
        for (int at = 0; at < markers.size(); at++) {
            Marker marker = markers.get(at);
            int end = at + 1 < markers.size() ? markers.get(at + 1).bar() : bars + 1;
            parts.add(new SongPart(marker.id(), marker.name(), marker.bar(), end - marker.bar()));
        }
        return parts;
    }
}
