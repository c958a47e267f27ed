package vividlantern.session.song;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Texts;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.units.Decibels;
import vividlantern.units.PlainNumber;

/**
 * What the click sounds like and when it sounds. Each voice has a track of its own, so that everybody can have their own
 * amount of each.
 *
 * @param countInBars bars that are clicked before the song starts
 * @param countInOnly whether it is silent once the song plays
 * @param whileStopped whether it goes on while the song stands, over and over the bar in which it does
 * @param onlyArmed whether all of that is so only while a track is armed
 * @param stopsAfterBars after so many bars that were played it is silent; 0 if it goes on
 * @param silentIn the parts of the song in which it is silent
 */
public record ClickPattern(
        int countInBars,
        List<Voice> voices,
        boolean countInOnly,
        int stopsAfterBars,
        List<MarkerId> silentIn,
        boolean whileStopped,
        boolean onlyArmed)
        implements Part {

    public static final int MOST_VOICES = 8;
    public static final int MOST_COUNT_IN_BARS = 8;

    public static final int MOST_BARS_UNTIL_SILENT = 1000;

    public ClickPattern {
        voices = List.copyOf(voices);
        silentIn = List.copyOf(silentIn);
    }

    /** A click that goes on while the song plays. */
    public ClickPattern(int countInBars, List<Voice> voices) {
        this(countInBars, voices, false, 0, List.of(), false, false);
    }

    /** The click with what it knows of parts of the song that are there, not of others. */
    public ClickPattern among(Predicate<MarkerId> there) {
        return with(
                voices.stream().map(voice -> voice.among(there)).toList(),
                silentIn.stream().filter(there).toList());
    }

    private ClickPattern with(List<Voice> otherVoices, List<MarkerId> otherSilentIn) {
        return new ClickPattern(
                countInBars, otherVoices, countInOnly, stopsAfterBars, otherSilentIn, whileStopped, onlyArmed);
    }

    /** The same with a sound from a file that one of its voices strikes; nothing if it has no such voice. */
    public Optional<ClickPattern> striking(VoiceId id, Media own) {
        return voices.stream().noneMatch(voice -> voice.id().equals(id))
                ? Optional.empty()
                : Optional.of(with(
                        voices.stream()
                                .map(voice -> voice.id().equals(id) ? voice.striking(own) : voice)
                                .toList(),
                        silentIn));
    }

    /** The same with another voice behind the others: a low one on the beats, for whoever wants to feel rather than hear it. */
    public ClickPattern withLowVoice() {
        String name = Texts.apart(
                "Low beats",
                taken -> voices.stream().anyMatch(voice -> voice.name().equalsIgnoreCase(taken)));
        String id = Ids.fresh(
                name,
                taken -> voices.stream().anyMatch(voice -> voice.id().value().equals(taken)));
        Voice low = new Voice(new VoiceId(id), name, Sound.SKIN, 110, 1, false, Decibels.of(3));
        return with(Stream.concat(voices.stream(), Stream.of(low)).toList(), silentIn);
    }

    /** The same without a voice. */
    public ClickPattern without(VoiceId id) {
        return with(voices.stream().filter(voice -> !voice.id().equals(id)).toList(), silentIn);
    }

    /** When it sounds, in words. */
    public String when() {
        String when = countInOnly ? "in the count-in only" : whileStopped ? "always" : "while the song plays";
        return onlyArmed ? when + ", with tracks armed" : when;
    }

    /** The parts of the song that it knows of. */
    public Stream<MarkerId> parts() {
        return Stream.concat(
                silentIn.stream(),
                voices.stream()
                        .flatMap(voice -> voice.patterns().stream())
                        .flatMap(pattern -> pattern.part().stream()));
    }

    /**
     * One sound of the click.
     *
     * @param stepsPerBeat into how many equal steps a beat is divided; 1 clicks on the beats
     * @param betweenBeats leaves out the steps that fall on a beat
     * @param accent how much louder an accented step is; off leaves it as the others
     * @param accentPitchHz the pitch of an accented step; empty for half as high again
     * @param patterns bars in which it falls otherwise than usual
     * @param decayMs in how long a stroke falls to a third; empty for what its sound has of its own
     * @param ownSound a short sound from a file, which it strikes in place of its made one as long as it can be read
     */
    public record Voice(
            VoiceId id,
            String name,
            Sound sound,
            double pitchHz,
            int stepsPerBeat,
            boolean betweenBeats,
            Decibels accent,
            List<BarPattern> patterns,
            Optional<Double> decayMs,
            Optional<Media> ownSound,
            Optional<Double> accentPitchHz) {

        /** The longest sound of its own, in seconds. */
        public static final double LONGEST_OWN_SECONDS = 2;

        /** The pitch of an accent that does not say its own, as a multiple of the others'. */
        private static final double USUAL_ACCENT = 1.5;

        public Voice {
            patterns = List.copyOf(patterns);
        }

        /** One that falls as usual. */
        public Voice(
                VoiceId id,
                String name,
                Sound sound,
                double pitchHz,
                int stepsPerBeat,
                boolean betweenBeats,
                Decibels accent) {
            this(
                    id,
                    name,
                    sound,
                    pitchHz,
                    stepsPerBeat,
                    betweenBeats,
                    accent,
                    List.of(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());
        }

        /** The pitch of a step, in Hz. */
        public double pitch(boolean accented) {
            return accented ? accentPitchHz.orElse(USUAL_ACCENT * pitchHz) : pitchHz;
        }

        /** The same with a sound of its own. */
        public Voice striking(Media own) {
            return with(patterns, Optional.of(own));
        }

        private Voice with(List<BarPattern> otherPatterns, Optional<Media> own) {
            return new Voice(
                    id,
                    name,
                    sound,
                    pitchHz,
                    stepsPerBeat,
                    betweenBeats,
                    accent,
                    otherPatterns,
                    decayMs,
                    own,
                    accentPitchHz);
        }

        /** What each step of a bar of a time signature is, where no part has a pattern of its own. */
        public List<Stroke> strokes(TempoMap.Meter meter) {
            return pattern(meter, Optional.empty()).orElseGet(() -> usual(meter));
        }

        /** What each step of a bar of a time signature is in a part of the song. */
        public List<Stroke> strokes(TempoMap.Meter meter, MarkerId part) {
            return pattern(meter, Optional.of(part)).orElseGet(() -> strokes(meter));
        }

        private Optional<List<Stroke>> pattern(TempoMap.Meter meter, Optional<MarkerId> part) {
            int steps = meter.beats() * stepsPerBeat;
            return patterns.stream()
                    .filter(pattern ->
                            pattern.isOf(meter, part) && pattern.strokes().size() == steps)
                    .findFirst()
                    .map(BarPattern::strokes);
        }

        private List<Stroke> usual(TempoMap.Meter meter) {
            return IntStream.range(0, meter.beats() * stepsPerBeat)
                    .mapToObj(step -> usual(step, meter))
                    .toList();
        }

        /**
         * Where people count otherwise than it is written, beats are what they count, and what is written between their counts
         * lies between the beats.
         */
        private Stroke usual(int step, TempoMap.Meter meter) {
            boolean onCount = step % (stepsPerBeat * meter.beatsPerCount()) == 0;
            boolean onBeat = step % stepsPerBeat == 0;
            boolean felt = meter.beatsPerCount() > 1;
            boolean sounds = betweenBeats ? felt ? onBeat && !onCount : !onBeat : stepsPerBeat > 1 || onCount;
            return sounds ? step == 0 ? Stroke.ACCENTED : Stroke.SOUNDING : Stroke.SILENT;
        }

        private String words(PartNames names) {
            return ownSound.map(media -> "struck from " + media.name() + ", ").orElse("") + PartNames.word(sound) + ", "
                    + PlainNumber.of(pitchHz) + " Hz, " + stepsPerBeat + (stepsPerBeat == 1 ? " step" : " steps")
                    + " a beat" + (betweenBeats ? ", between beats" : "") + ", accent " + accent
                    + accentPitchHz
                            .map(hz -> " at " + PlainNumber.of(hz) + " Hz")
                            .orElse("")
                    + decayMs.map(ms -> ", decay " + PlainNumber.of(ms) + " ms").orElse("")
                    + patterns.stream()
                            .map(pattern -> ", " + pattern.words(names))
                            .collect(Collectors.joining());
        }

        private Voice among(Predicate<MarkerId> there) {
            return with(
                    patterns.stream()
                            .filter(each -> each.part().filter(there.negate()).isEmpty())
                            .toList(),
                    ownSound);
        }
    }

    /**
     * What the steps of a bar are, in every bar of a time signature.
     *
     * @param part the part of the song in which it is so; empty where no part has its own
     */
    public record BarPattern(int beats, int noteValue, List<Stroke> strokes, Optional<MarkerId> part) {

        public BarPattern {
            strokes = List.copyOf(strokes);
        }

        public BarPattern(int beats, int noteValue, List<Stroke> strokes) {
            this(beats, noteValue, strokes, Optional.empty());
        }

        private String words(PartNames names) {
            return beats + "/" + noteValue + " "
                    + part.map(id -> "in " + names.marker(id) + " ").orElse("")
                    + strokes.stream().map(PartNames::word).collect(Collectors.joining(" "));
        }

        boolean isOf(TempoMap.Meter meter, Optional<MarkerId> of) {
            return beats == meter.beats() && noteValue == meter.noteValue() && part.equals(of);
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
        TICK,
        /** A low skin whose pitch falls. */
        SKIN
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Click";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("count-in", PartNames.bars(countInBars));
        traits.put("sounds", when());
        traits.put("stops", stopsAfterBars == 0 ? "never" : "after " + PartNames.bars(stopsAfterBars));
        traits.put("silent in", silentIn.stream().map(names::marker).collect(Collectors.joining(", ")));
        voices.forEach(voice -> traits.put("voice " + voice.name(), voice.words(names)));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return parts().allMatch(session::has);
    }

    @Override
    public Stream<Media> sounds() {
        return voices.stream().flatMap(voice -> voice.ownSound().stream());
    }
}
