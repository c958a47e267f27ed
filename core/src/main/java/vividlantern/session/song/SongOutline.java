package vividlantern.session.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/**
 * A song laid out over its bars, as it is drawn.
 *
 * @param bars how many are shown: those of the song or, while it has no end, those that something is known of, and some more
 * @param lastBar the last bar of the song; empty while it has no end
 * @param pickUpCounts by how many counts of its first time signature it begins before bar 1, as people count it: 6/8 in 2 has two
 * @param seconds from its beginning to the end of what is shown
 * @param falls how each voice of the click falls in a bar of each time signature that the song has, and in parts where it falls
 *     otherwise
 * @param sounds what backing tracks play, and where
 */
public record SongOutline(
        int bars,
        Optional<Integer> lastBar,
        double pickUpCounts,
        double seconds,
        List<OutlinedTempo> tempos,
        List<TempoMap.Meter> meters,
        List<SongPart> parts,
        List<VoiceInBar> falls,
        List<OutlinedSound> sounds) {

    private static final int MORE_BARS = 8;
    private static final int LEAST_BARS = 16;

    /**
     * A tempo, and where it begins.
     *
     * @param beat from 1, with its fraction
     * @param place in bars from 1, with the fraction of the bar
     * @param crotchets what it is in crotchets a minute, whatever note it counts
     * @param crotchetsAtEnd what it comes to where the next one begins, in crotchets a minute
     */
    public record OutlinedTempo(
            int bar,
            double beat,
            double place,
            double beatsPerMinute,
            NoteValue unit,
            double crotchets,
            double crotchetsAtEnd,
            boolean rampToNext) {}

    /** A part of the song: from its marker to the next one, or to the end of what is shown. */
    public record SongPart(MarkerId marker, String name, int bar, int bars, boolean needsClick, boolean silent) {}

    /**
     * What the steps of a voice are in each bar of a time signature.
     *
     * @param part the part in which it is so; empty where no part has its own
     */
    public record VoiceInBar(
            VoiceId voice, int beats, int noteValue, Optional<MarkerId> part, List<ClickPattern.Stroke> strokes) {}

    /**
     * What a backing track plays.
     *
     * @param place where it begins, in bars from 1 with the fraction of the bar
     * @param end where it ends the first time
     */
    public record OutlinedSound(TrackId track, String name, double place, double end) {}

    public static SongOutline of(Session session) {
        TempoMap map = session.tempoMap();
        TempoCurve curve = map.curve();
        List<OutlinedTempo> tempos = IntStream.range(0, map.tempos().size())
                .mapToObj(at -> outlined(map.tempos(), at, curve))
                .toList();
        int lastKnown = Stream.of(
                        tempos.stream().map(OutlinedTempo::bar),
                        map.meters().stream().map(TempoMap.Meter::bar),
                        session.markers().stream().map(Marker::bar))
                .flatMap(bars -> bars)
                .mapToInt(Integer::intValue)
                .max()
                .orElse(1);
        int bars = map.lastBar()
                .map(last -> Math.max(last, lastKnown))
                .orElse(Math.max(LEAST_BARS, lastKnown - 1 + MORE_BARS));
        return new SongOutline(
                bars,
                map.lastBar(),
                map.pickUpQuarters() / map.meters().get(0).quartersPerCount(),
                curve.seconds(curve.quarterOf(bars + 1, 0)) - curve.seconds(curve.begins()),
                tempos,
                map.meters(),
                parts(session, bars),
                falls(session),
                session.backing().stream()
                        .map(backing -> outlined(backing, session, curve))
                        .toList());
    }

    private static OutlinedSound outlined(Backing backing, Session session, TempoCurve curve) {
        double begins = backing.startFrame(curve, session.sampleRate()) / (double) session.sampleRate();
        double ends = begins + backing.to() - backing.from();
        String name = session.find(backing.track()).map(Track::name).orElse("");
        return new OutlinedSound(
                backing.track(), name, place(curve.quarter(begins), curve), place(curve.quarter(ends), curve));
    }

    /** In bars from 1, with the fraction of the bar. */
    private static double place(double quarter, TempoCurve curve) {
        int bar = curve.barAt(quarter);
        return bar + curve.beatAt(quarter) / curve.beatsIn(bar);
    }

    private static List<VoiceInBar> falls(Session session) {
        List<VoiceInBar> falls = new ArrayList<>();
        for (ClickPattern.Voice voice : session.click().voices()) {
            session.tempoMap().meters().stream()
                    .map(meter -> new VoiceInBar(
                            voice.id(), meter.beats(), meter.noteValue(), Optional.empty(), voice.strokes(meter)))
                    .distinct()
                    .forEach(falls::add);
            voice.patterns().stream()
                    .filter(pattern -> pattern.part().isPresent())
                    .map(pattern -> new VoiceInBar(
                            voice.id(), pattern.beats(), pattern.noteValue(), pattern.part(), pattern.strokes()))
                    .forEach(falls::add);
        }
        return falls;
    }

    private static OutlinedTempo outlined(List<TempoMap.Tempo> tempos, int at, TempoCurve curve) {
        TempoMap.Tempo tempo = tempos.get(at);
        boolean ramps = tempo.rampToNext() && at + 1 < tempos.size();
        int bar = curve.barAt(tempo.atQuarter());
        double beat = curve.beatAt(tempo.atQuarter());
        return new OutlinedTempo(
                bar,
                beat + 1,
                place(tempo.atQuarter(), curve),
                tempo.beatsPerMinute(),
                tempo.unit(),
                tempo.quartersPerMinute(),
                (ramps ? tempos.get(at + 1) : tempo).quartersPerMinute(),
                tempo.rampToNext());
    }

    private static List<SongPart> parts(Session session, int bars) {
        List<Marker> markers = session.markers();
        List<SongPart> parts = new ArrayList<>();
        for (int at = 0; at < markers.size(); at++) {
            Marker marker = markers.get(at);
            int end = at + 1 < markers.size() ? markers.get(at + 1).bar() : bars + 1;
            parts.add(new SongPart(
                    marker.id(),
                    marker.name(),
                    marker.bar(),
                    end - marker.bar(),
                    marker.needsClick(),
                    session.click().silentIn().contains(marker.id())));
        }
        return parts;
    }
}
