package vividlantern.session;

import java.util.List;
import java.util.stream.IntStream;
import vividlantern.units.Decibels;

/**
 * What the click sounds like and when it counts in. Each voice has a track of its own, so that everybody can have
 * their own amount of each.
 *
 * @param countInBars bars that are clicked before the song starts
 */
public record ClickPattern(int countInBars, List<Voice> voices) implements Part {

    public static final int MOST_VOICES = 8;
    public static final int MOST_COUNT_IN_BARS = 8;

    public ClickPattern {
        voices = List.copyOf(voices);
    }

    /**
     * One sound of the click.
     *
     * @param stepsPerBeat into how many equal steps a beat is divided; 1 clicks on the beats
     * @param betweenBeats leaves out the steps that fall on a beat
     * @param accent how much louder an accented step is; off leaves it as the others
     * @param patterns bars in which it falls otherwise than on each of its steps with the first one accented
     */
    public record Voice(
            VoiceId id,
            String name,
            Sound sound,
            double pitchHz,
            int stepsPerBeat,
            boolean betweenBeats,
            Decibels accent,
            List<BarPattern> patterns) {

        public Voice {
            patterns = List.copyOf(patterns);
        }

        /** One that falls on all of its steps. */
        public Voice(
                VoiceId id,
                String name,
                Sound sound,
                double pitchHz,
                int stepsPerBeat,
                boolean betweenBeats,
                Decibels accent) {
            this(id, name, sound, pitchHz, stepsPerBeat, betweenBeats, accent, List.of());
        }

        /** What each step of a bar of a time signature is. */
        public List<Stroke> strokes(TempoMap.Meter meter) {
            int steps = meter.beats() * stepsPerBeat;
            return patterns.stream()
                    .filter(pattern -> pattern.isOf(meter) && pattern.strokes().size() == steps)
                    .findFirst()
                    .map(BarPattern::strokes)
                    .orElseGet(() ->
                            IntStream.range(0, steps).mapToObj(this::usual).toList());
        }

        private Stroke usual(int step) {
            if (betweenBeats && step % stepsPerBeat == 0) {
                return Stroke.SILENT;
            }
            return step == 0 ? Stroke.ACCENTED : Stroke.SOUNDING;
        }
    }

    /** What the steps of a bar are, in every bar of a time signature. */
    public record BarPattern(int beats, int noteValue, List<Stroke> strokes) {

        public BarPattern {
            strokes = List.copyOf(strokes);
        }

        boolean isOf(TempoMap.Meter meter) {
            return beats == meter.beats() && noteValue == meter.noteValue();
        }
    }

    public enum Stroke {
        SILENT,
        SOUNDING,
        ACCENTED
    }

    public enum Sound {
        WOOD,
        TONE,
        TICK
    }
}
