package vividlantern.session.song;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.units.PlainNumber;

/**
 * The song's tempo and time signatures, and where it begins and ends. Positions are quarter notes from the start of bar 1; bars
 * count from 1, and bar 0 and below lie before the song with the first tempo and time signature.
 *
 * @param tempos in order; the first at 0
 * @param meters in order; the first at bar 1
 * @param pickUpQuarters so long before bar 1 the song begins, in quarter notes; less than a bar
 * @param lastBar the last bar of the song; empty while it has no end
 */
public record TempoMap(List<Tempo> tempos, List<Meter> meters, double pickUpQuarters, Optional<Integer> lastBar)
        implements Part {

    /**
     * A tempo from a position on.
     *
     * @param beatsPerMinute of the stated note value
     * @param rampToNext whether it moves evenly, beat by beat, to the next tempo
     */
    public record Tempo(double atQuarter, double beatsPerMinute, NoteValue unit, boolean rampToNext) {

        public double quartersPerMinute() {
            return beatsPerMinute * unit.quarters();
        }
    }

    /** Closer than this, in quarter notes, two positions are one: far less than a frame. */
    private static final double SAME_PLACE = 1e-6;

    private static final int MOST_CHANGES = 1000;
    /** Four hours at 166 quarter notes a minute. */
    private static final int LONGEST_QUARTERS = 40_000;

    /**
     * A time signature from a bar on: so many beats of 1/noteValue.
     *
     * @param feltIn in how many people count it, as 6/8 in two; 0 if as it is written
     */
    public record Meter(int bar, int beats, int noteValue, int feltIn) {

        public Meter {
            feltIn = feltIn == beats ? 0 : feltIn;
        }

        /** One that is counted as it is written. */
        public Meter(int bar, int beats, int noteValue) {
            this(bar, beats, noteValue, 0);
        }

        /** How many written beats make one that is counted. */
        public int beatsPerCount() {
            return feltIn == 0 ? 1 : beats / feltIn;
        }

        /** The note that people count, where it is felt otherwise than written; else a crotchet. */
        public NoteValue counted() {
            return Arrays.stream(NoteValue.values())
                    .filter(note -> feltIn > 0 && note.quarters() == quartersPerCount())
                    .findFirst()
                    .orElse(NoteValue.CROTCHET);
        }

        public double quartersPerBeat() {
            return 4.0 / noteValue;
        }

        /** Of one that is counted. */
        public double quartersPerCount() {
            return beatsPerCount() * quartersPerBeat();
        }

        public double quartersPerBar() {
            return beats * quartersPerBeat();
        }
    }

    public TempoMap {
        tempos = List.copyOf(tempos);
        meters = List.copyOf(meters);
    }

    /** A song without pick-up and end. */
    public TempoMap(List<Tempo> tempos, List<Meter> meters) {
        this(tempos, meters, 0, Optional.empty());
    }

    private TempoMap with(List<Tempo> others) {
        return new TempoMap(others, meters, pickUpQuarters, lastBar);
    }

    public TempoMap pickedUp(double quarters) {
        return new TempoMap(tempos, meters, quarters, lastBar);
    }

    public TempoMap endingWith(Optional<Integer> bar) {
        return new TempoMap(tempos, meters, pickUpQuarters, bar);
    }

    public static TempoMap steady(double beatsPerMinute, int beats, int noteValue) {
        return new TempoMap(
                List.of(new Tempo(0, beatsPerMinute, NoteValue.CROTCHET, false)),
                List.of(new Meter(1, beats, noteValue)));
    }

    /** Tempos as they are set: in steps of 0.01 beats a minute. */
    public TempoMap inSteps() {
        return with(tempos.stream()
                .map(tempo -> new Tempo(
                        tempo.atQuarter(),
                        Math.rint(100 * tempo.beatsPerMinute()) / 100,
                        tempo.unit(),
                        tempo.rampToNext()))
                .toList());
    }

    /** The tempo that begins at a position. */
    public Optional<Tempo> tempoAt(double quarter) {
        return tempos.stream()
                .filter(tempo -> Math.abs(tempo.atQuarter() - quarter) < SAME_PLACE)
                .findFirst();
    }

    /** With a tempo in the place of the one that begins where it does, if one does. */
    public TempoMap with(Tempo tempo) {
        Optional<Tempo> there = tempoAt(tempo.atQuarter());
        double quarter = there.map(Tempo::atQuarter).orElse(tempo.atQuarter());
        Tempo placed = new Tempo(quarter, tempo.beatsPerMinute(), tempo.unit(), tempo.rampToNext());
        return with(Stream.concat(
                        tempos.stream().filter(each -> !Optional.of(each).equals(there)), Stream.of(placed))
                .sorted(Comparator.comparingDouble(Tempo::atQuarter))
                .toList());
    }

    public TempoMap without(Tempo tempo) {
        return with(tempos.stream().filter(each -> !each.equals(tempo)).toList());
    }

    /** With a time signature in the place of the one that begins at its bar, if one does; tempos stay in their bars. */
    public TempoMap with(Meter meter) {
        return counting(Stream.concat(meters.stream().filter(each -> each.bar() != meter.bar()), Stream.of(meter))
                .sorted(Comparator.comparingInt(Meter::bar))
                .toList());
    }

    /** Without a time signature; tempos stay in their bars. */
    public TempoMap without(Meter meter) {
        return counting(meters.stream().filter(each -> !each.equals(meter)).toList());
    }

    /**
     * With other time signatures. Each tempo stays in its bar: at the same share of it where the bar has become another, so that
     * none meets another one.
     */
    private TempoMap counting(List<Meter> others) {
        TempoMap other = new TempoMap(tempos, others, pickUpQuarters, lastBar);
        if (!other.fault().isEmpty()) {
            return other;
        }
        TempoCurve before = curve();
        TempoCurve after = other.curve();
        List<Tempo> moved = tempos.stream()
                .map(tempo -> {
                    int bar = before.barAt(tempo.atQuarter());
                    double share = before.beatAt(tempo.atQuarter()) / before.beatsIn(bar);
                    return new Tempo(
                            after.quarterOf(bar, share * after.beatsIn(bar)),
                            tempo.beatsPerMinute(),
                            tempo.unit(),
                            tempo.rampToNext());
                })
                .toList();
        return other.with(moved);
    }

    /**
     * The song put together anew from stretches of its bars, in an order.
     *
     * @param stretches each from a bar on up to another one, which is not among it; the last one goes on for good
     */
    public TempoMap rearranged(List<Stretch> stretches, Optional<Integer> newLastBar) {
        return SongStretch.laidOut(
                stretches.stream()
                        .map(each -> SongStretch.of(this, each.from(), each.upTo()))
                        .toList(),
                pickUpQuarters,
                newLastBar);
    }

    /** Bars from one on up to another one, which is not among them. */
    public record Stretch(int from, int upTo) {

        /** All bars from one on. */
        public static Stretch allFrom(int bar) {
            return new Stretch(bar, SongStretch.ENDLESS);
        }

        public boolean isEmpty() {
            return from == upTo;
        }
    }

    /** Whether a line of tempo runs into the start of a bar, so that nothing can be cut there. */
    public boolean runsInto(int bar) {
        double quarter = curve().quarterOf(bar, 0);
        for (int at = 0; at + 1 < tempos.size(); at++) {
            boolean crosses = tempos.get(at).atQuarter() < quarter - SAME_PLACE
                    && tempos.get(at + 1).atQuarter() >= quarter - SAME_PLACE;
            if (crosses && tempos.get(at).rampToNext()) {
                return true;
            }
        }
        return false;
    }

    /** Why this cannot be a tempo map, or "" if it can. */
    public String fault() {
        if (tempos.isEmpty() || tempos.get(0).atQuarter() != 0) {
            return "The first tempo must stand at the start of bar 1.";
        }
        if (tempos.size() > MOST_CHANGES || meters.size() > MOST_CHANGES) {
            return "A song has at most " + MOST_CHANGES + " tempos and as many time signatures.";
        }
        if (!(tempos.get(tempos.size() - 1).atQuarter() <= LONGEST_QUARTERS)) {
            return "The last tempo stands at most " + LONGEST_QUARTERS + " quarter notes into the song.";
        }
        if (meters.isEmpty() || meters.get(0).bar() != 1) {
            return "The first time signature must stand at bar 1.";
        }
        for (int i = 0; i < tempos.size(); i++) {
            double bpm = tempos.get(i).quartersPerMinute();
            if (!(bpm >= 10 && bpm <= 600)) {
                return "A tempo lies between 10 and 600 quarter notes a minute.";
            }
            if (i > 0 && !(tempos.get(i).atQuarter() > tempos.get(i - 1).atQuarter())) {
                return "Tempos must stand in order, each at a place of its own.";
            }
        }
        for (int i = 0; i < meters.size(); i++) {
            Meter meter = meters.get(i);
            if (meter.beats() < 1
                    || meter.beats() > 32
                    || !List.of(1, 2, 4, 8, 16).contains(meter.noteValue())) {
                return "A time signature has 1 to 32 beats of 1, 1/2, 1/4, 1/8 or 1/16.";
            }
            if (meter.feltIn() < 0 || meter.feltIn() > 0 && meter.beats() % meter.feltIn() != 0) {
                return meter.beats() + "/" + meter.noteValue() + " cannot be felt in " + meter.feltIn()
                        + ": each count has as many beats as the others.";
            }
            if (meter.bar() > LONGEST_QUARTERS) {
                return "The last time signature stands at bar " + LONGEST_QUARTERS + " at most.";
            }
            if (i > 0 && meter.bar() <= meters.get(i - 1).bar()) {
                return "Time signatures must stand in order, each at a bar of its own.";
            }
        }
        if (!(pickUpQuarters >= 0 && pickUpQuarters < meters.get(0).quartersPerBar())) {
            return "A pick-up is shorter than the first bar.";
        }
        if (lastBar.filter(bar -> bar < 1 || bar > LONGEST_QUARTERS).isPresent()) {
            return "A song ends with bar 1 at the earliest and bar " + LONGEST_QUARTERS + " at the latest.";
        }
        return "";
    }

    public TempoCurve curve() {
        return new TempoCurve(this);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Tempo";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("tempos", tempos.stream().map(TempoMap::words).collect(Collectors.joining("; ")));
        traits.put("time signatures", meters.stream().map(TempoMap::words).collect(Collectors.joining("; ")));
        traits.put("pick-up", pickUpQuarters == 0 ? "none" : PlainNumber.of(pickUpQuarters) + " quarter notes");
        traits.put("last bar", lastBar.map(String::valueOf).orElse("open"));
        return traits;
    }

    private static String words(Tempo tempo) {
        return PlainNumber.of(tempo.beatsPerMinute()) + " " + PartNames.word(tempo.unit()) + "s a minute from quarter "
                + PlainNumber.of(tempo.atQuarter()) + (tempo.rampToNext() ? ", moving to the next" : "");
    }

    private static String words(Meter meter) {
        return meter.beats() + "/" + meter.noteValue() + (meter.feltIn() == 0 ? "" : " felt in " + meter.feltIn())
                + " from bar " + meter.bar();
    }
}
