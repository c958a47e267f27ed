package vividlantern.click;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TempoEdit.SetTempo;
import vividlantern.session.song.Backing;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * A tempo that somebody has tapped. The times are laid on a line by least squares, each at its beat; beats that were not tapped are
 * stepped over, a tap right behind another one is left out.
 *
 * @param beatsPerMinute of the note that was tapped, in steps of 0.01
 * @param plusMinus how far the tempo may be off, as far as the taps tell: two standard deviations
 * @param firstBeat when the first beat was, in seconds
 */
public record TappedTempo(double beatsPerMinute, double plusMinus, double firstBeat, List<Beat> beats) {

    /** A beat that was tapped, counted from 0, and when. */
    public record Beat(int number, double seconds) {}

    private static final int FEWEST = 4;
    private static final int MOST = 20_000;
    /** A tap that comes so soon after another one, as a share of a beat, is no beat. */
    private static final double TOO_SOON = 0.35;

    /** So many intervals say how long a beat is just there. */
    private static final int NEAR = 9;

    /** @param seconds the times of the taps, in order */
    public static TappedTempo of(List<Double> seconds) {
        if (seconds.size() < FEWEST) {
            throw new Refused("Tap at least " + FEWEST + " beats.", "seconds");
        }
        if (seconds.size() > MOST) {
            throw new Refused("Tap at most " + MOST + " beats.", "seconds");
        }
        for (int at = 1; at < seconds.size(); at++) {
            if (!(seconds.get(at) > seconds.get(at - 1))) {
                throw new Refused("Taps come one after the other.", "seconds");
            }
        }
        List<Beat> beats = numbered(seconds);
        Line line = Line.of(beats);
        double tempo = Math.rint(100 * 60 / line.each()) / 100;
        double plusMinus = 2 * 60 * line.deviation() / (line.each() * line.each());
        return new TappedTempo(tempo, plusMinus, line.first(), beats);
    }

    private static List<Beat> numbered(List<Double> seconds) {
        List<Beat> beats = new ArrayList<>();
        beats.add(new Beat(0, seconds.get(0)));
        for (int at = 1; at < seconds.size(); at++) {
            Beat last = beats.get(beats.size() - 1);
            double beatsOn = (seconds.get(at) - last.seconds()) / beatNear(seconds, at);
            if (beatsOn >= TOO_SOON) {
                beats.add(new Beat(last.number() + Math.max(1, (int) Math.rint(beatsOn)), seconds.get(at)));
            }
        }
        return beats;
    }

    /** How long a beat is near a tap: the middle one of the intervals around it. */
    private static double beatNear(List<Double> seconds, int at) {
        int first = Math.max(1, Math.min(at - NEAR / 2, seconds.size() - NEAR));
        int last = Math.min(seconds.size() - 1, first + NEAR - 1);
        double[] intervals = new double[last - first + 1];
        for (int each = first; each <= last; each++) {
            intervals[each - first] = seconds.get(each) - seconds.get(each - 1);
        }
        Arrays.sort(intervals);
        return intervals[intervals.length / 2];
    }

    /**
     * Beats laid on a line by least squares.
     *
     * @param first seconds of beat 0
     * @param each seconds from beat to beat
     * @param deviation the standard deviation of that
     */
    private record Line(double first, double each, double deviation) {

        private static Line of(List<Beat> beats) {
            double count = beats.size();
            double number = beats.stream().mapToDouble(Beat::number).sum() / count;
            double second = beats.stream().mapToDouble(Beat::seconds).sum() / count;
            double both = 0;
            double square = 0;
            for (Beat beat : beats) {
                both += (beat.number() - number) * (beat.seconds() - second);
                square += (beat.number() - number) * (beat.number() - number);
            }
            double each = both / square;
            double first = second - each * number;
            double rest = 0;
            for (Beat beat : beats) {
                double off = beat.seconds() - first - each * beat.number();
                rest += off * off;
            }
            return new Line(first, each, Math.sqrt(rest / Math.max(1, count - 2) / square));
        }
    }

    /** The edit that gives the song this tempo at its beginning. */
    public List<Edit> edits(Session session) {
        return List.of(new SetTempo(1, 1, beatsPerMinute, unit(session), false));
    }

    /**
     * The edits by which the song's tempo follows a recording to which was tapped, from the first beat of a bar on: that beat is bar 1,
     * and the recording lies there. The time signature of bar 1 holds throughout.
     *
     * @param backing the recording, where it lay while it was tapped to
     * @param everyBar whether each bar has a tempo of its own; else it is steady
     */
    public List<Edit> edits(Session session, Backing backing, boolean everyBar) {
        TempoMap was = session.tempoMap();
        NoteValue unit = unit(session);
        double began = everyBar ? near(0, beatsABar(was, unit)) : firstBeat;
        List<TempoMap.Tempo> tempos =
                everyBar ? bars(was, unit) : List.of(new TempoMap.Tempo(0, beatsPerMinute, unit, false));
        TempoCurve curve = was.curve();
        double start = (double) backing.startFrame(curve, session.sampleRate()) / session.sampleRate();
        Backing moved = new Backing(
                backing.track(),
                backing.media(),
                Backing.Follows.TIME,
                backing.bar(),
                backing.beat(),
                Math.rint(1e4 * (start - began)) / 1e4,
                backing.from(),
                backing.to(),
                backing.loops());
        return List.of(
                new SetTempoMap(new TempoMap(tempos, was.meters().subList(0, 1), 0, was.lastBar())),
                new SetBacking(moved));
    }

    private static NoteValue unit(Session session) {
        return session.tempoMap().tempos().get(0).unit();
    }

    private static double beatsABar(TempoMap map, NoteValue unit) {
        return map.meters().get(0).quartersPerBar() / unit.quarters();
    }

    /** A tempo for each bar that was tapped through, so that it ends when it was tapped to end, whatever the steps of tempos are. */
    private List<TempoMap.Tempo> bars(TempoMap map, NoteValue unit) {
        double beats = beatsABar(map, unit);
        double quarters = map.meters().get(0).quartersPerBar();
        int bars = (int) Math.max(1, Math.floor(beats().get(beats().size() - 1).number() / beats));
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        double at = near(0, beats);
        Optional<Double> last = Optional.empty();
        for (int bar = 0; bar < bars; bar++) {
            double tempo = Math.rint(100 * 60 * beats / (near((bar + 1) * beats, beats) - at)) / 100;
            if (!last.equals(Optional.of(tempo))) {
                tempos.add(new TempoMap.Tempo(bar * quarters, tempo, unit, false));
                last = Optional.of(tempo);
            }
            at += 60 * beats / tempo;
        }
        return tempos;
    }

    /** When a beat was, by the taps of a bar before and behind it. */
    private double near(double number, double beatsABar) {
        List<Beat> around = beats.stream()
                .filter(beat -> Math.abs(beat.number() - number) <= beatsABar)
                .toList();
        Line line = Line.of(around.size() >= FEWEST ? around : beats);
        return line.first() + line.each() * number;
    }
}
