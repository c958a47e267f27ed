package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;
import vividlantern.units.PlainNumber;

/**
 * Something that is recorded or played, with its place in the main mix.
 *
 * @param width how many channels it has, 1 to 8
 * @param feeds what feeds it, one entry a channel; empty for a click
 * @param voice the voice of the click it carries, if its role is click
 * @param trim level before the fader, heard by everybody
 * @param shiftFrames by how much listeners hear it later, the recording is as it is
 * @param soloSafe keeps sounding on the speakers while other tracks are soloed
 * @param look how it is found among the others
 */
public record Track(
        TrackId id,
        double position,
        String name,
        Role role,
        int width,
        List<Feed> feeds,
        Optional<VoiceId> voice,
        boolean armed,
        Hear hear,
        Decibels trim,
        boolean polarityFlipped,
        int shiftFrames,
        Pan pan,
        Decibels fader,
        boolean muted,
        boolean soloed,
        boolean soloSafe,
        Look look)
        implements Part {

    public static final int MAX_WIDTH = 8;

    /** By how much a track can be heard later. */
    public static final double MOST_SHIFT_SECONDS = 0.05;

    public enum Role {
        INPUT,
        CLICK,
        /** Fed by outputs of a sound module. */
        INSTRUMENT,
        /** Some channels of a wide track, heard but not recorded. */
        SPLIT,
        /** Plays a sound from a file. */
        BACKING,
        /** Several tracks come together in it before the speakers. */
        SUM,
        /** What tracks send into it comes together in it, before its chain and the speakers. */
        RETURN
    }

    public Track {
        feeds = List.copyOf(feeds);
    }

    /** A track as it begins: at 0 dB in the centre, not armed, heard when armed. */
    public static Track forInputs(TrackId id, double position, String name, int width, List<Feed> feeds) {
        return fed(id, position, name, Role.INPUT, width, feeds);
    }

    /** A track for outputs of a sound module, as it begins. */
    public static Track forInstrument(TrackId id, double position, String name, List<Feed> outputs) {
        return fed(id, position, name, Role.INSTRUMENT, outputs.size(), outputs);
    }

    /** A track for some channels of a wide one, as it begins: heard when that is armed. */
    public static Track forSplit(TrackId id, double position, String name, List<Feed> channels) {
        return fed(id, position, name, Role.SPLIT, channels.size(), channels);
    }

    private static Track fed(TrackId id, double position, String name, Role role, int width, List<Feed> feeds) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                feeds,
                Optional.empty(),
                false,
                Hear.ARMED,
                Decibels.ZERO,
                false,
                0,
                Pan.CENTRE,
                Decibels.ZERO,
                false,
                false,
                false,
                Look.PLAIN);
    }

    /** A click track as it begins: heard by those who have a send of it, off on the speakers. */
    public static Track forClick(TrackId id, double position, String name, VoiceId voice) {
        return unfed(id, position, name, Role.CLICK, 1, Optional.of(voice), Decibels.OFF);
    }

    /** A backing track as it begins: on the speakers at 0 dB, heard by those who have a send of it. */
    public static Track forBacking(TrackId id, double position, String name, int width) {
        return unfed(id, position, name, Role.BACKING, width, Optional.empty(), Decibels.ZERO);
    }

    /** A sum as it begins: stereo, on the speakers at 0 dB. Tracks go to it by their ways. */
    public static Track forSum(TrackId id, double position, String name) {
        return unfed(id, position, name, Role.SUM, 2, Optional.empty(), Decibels.ZERO);
    }

    /** A return as it begins: stereo, on the speakers at 0 dB. Tracks send into it. */
    public static Track forSends(TrackId id, double position, String name) {
        return unfed(id, position, name, Role.RETURN, 2, Optional.empty(), Decibels.ZERO);
    }

    /** A track that nothing feeds: it plays something itself, or sums others up. It is always heard. */
    private static Track unfed(
            TrackId id, double position, String name, Role role, int width, Optional<VoiceId> voice, Decibels fader) {
        return new Track(
                id,
                position,
                name,
                role,
                width,
                List.of(),
                voice,
                false,
                Hear.ALWAYS,
                Decibels.ZERO,
                false,
                0,
                Pan.CENTRE,
                fader,
                false,
                false,
                role == Role.CLICK,
                Look.PLAIN);
    }

    /** Whether it is recorded, and what feeds it can be chosen. */
    public boolean isRecorded() {
        return role == Role.INPUT || role == Role.INSTRUMENT;
    }

    /** Whether its channels can be heard on tracks of their own. */
    public boolean isWide() {
        return isRecorded() && width > 2;
    }

    public boolean isClick() {
        return role == Role.CLICK;
    }

    public boolean isBacking() {
        return role == Role.BACKING;
    }

    public boolean isSum() {
        return role == Role.SUM;
    }

    public boolean isReturn() {
        return role == Role.RETURN;
    }

    /** Whether it holds what other tracks bring: a sum or a return. */
    public boolean gathers() {
        return isSum() || isReturn();
    }

    /** Whether its channels are fed by inputs, ports or channels of other tracks. */
    public boolean isFed() {
        return !isPlayed() && !gathers();
    }

    /** Whether the program plays it itself: it is always heard and never recorded. */
    public boolean isPlayed() {
        return isClick() || isBacking();
    }

    /** The wide track that it is split from, if it is. */
    public Optional<TrackId> splitFrom() {
        return role == Role.SPLIT ? feeds.get(0).track() : Optional.empty();
    }

    /** The same as another track. */
    public Track as(TrackId newId) {
        return with(draft -> draft.id = newId);
    }

    public Track named(String newName) {
        return with(draft -> draft.name = newName);
    }

    public Track at(double newPosition) {
        return with(draft -> draft.position = newPosition);
    }

    public Track fedBy(List<Feed> newFeeds) {
        return with(draft -> draft.feeds = newFeeds);
    }

    public Track armed(boolean on) {
        return with(draft -> draft.armed = on);
    }

    public Track heard(Hear when) {
        return with(draft -> draft.hear = when);
    }

    public Track trimmed(Decibels level) {
        return with(draft -> draft.trim = level);
    }

    public Track flipped(boolean on) {
        return with(draft -> draft.polarityFlipped = on);
    }

    public Track shifted(int frames) {
        return with(draft -> draft.shiftFrames = frames);
    }

    public Track panned(Pan newPan) {
        return with(draft -> draft.pan = newPan);
    }

    public Track faded(Decibels level) {
        return with(draft -> draft.fader = level);
    }

    public Track muted(boolean on) {
        return with(draft -> draft.muted = on);
    }

    public Track soloed(boolean on) {
        return with(draft -> draft.soloed = on);
    }

    public Track soloSafe(boolean on) {
        return with(draft -> draft.soloSafe = on);
    }

    public Track looking(Look newLook) {
        return with(draft -> draft.look = newLook);
    }

    private Track with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return new Track(
                draft.id,
                draft.position,
                draft.name,
                role,
                width,
                draft.feeds,
                voice,
                draft.armed,
                draft.hear,
                draft.trim,
                draft.polarityFlipped,
                draft.shiftFrames,
                draft.pan,
                draft.fader,
                draft.muted,
                draft.soloed,
                draft.soloSafe,
                draft.look);
    }

    /** A track while one thing of it is changed; it never leaves this class. */
    private static final class Draft {
        private TrackId id;
        private double position;
        private String name;
        private List<Feed> feeds;
        private boolean armed;
        private Hear hear;
        private Decibels trim;
        private boolean polarityFlipped;
        private int shiftFrames;
        private Pan pan;
        private Decibels fader;
        private boolean muted;
        private boolean soloed;
        private boolean soloSafe;
        private Look look;

        private Draft(Track track) {
            id = track.id;
            position = track.position;
            name = track.name;
            feeds = track.feeds;
            armed = track.armed;
            hear = track.hear;
            trim = track.trim;
            polarityFlipped = track.polarityFlipped;
            shiftFrames = track.shiftFrames;
            pan = track.pan;
            fader = track.fader;
            muted = track.muted;
            soloed = track.soloed;
            soloSafe = track.soloSafe;
            look = track.look;
        }
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return switch (role) {
            case SUM -> "Sum " + name;
            case RETURN -> "Return " + name;
            default -> "Track " + name;
        };
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("name", name);
        traits.put("channels", String.valueOf(width));
        traits.put("fed by", feeds.stream().map(names::feed).collect(Collectors.joining(" | ")));
        traits.put("armed", PartNames.onOff(armed));
        traits.put("hear", hear.toString());
        traits.put("trim", trim.toString());
        traits.put("polarity", polarityFlipped ? "flipped" : "normal");
        traits.put("shift", shiftFrames + " frames");
        traits.put("pan", pan.toString());
        traits.put("fader", fader.toString());
        traits.put("mute", PartNames.onOff(muted));
        traits.put("solo", PartNames.onOff(soloed));
        traits.put("solo-safe", PartNames.onOff(soloSafe));
        traits.put("colour", PartNames.word(look.colour()));
        traits.put("mark", PartNames.word(look.mark()));
        traits.put("folder", look.folder());
        traits.put("hidden", PartNames.onOff(look.hidden()));
        traits.put("place among the tracks", PlainNumber.of(position));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return feeds.stream().allMatch(feed -> feed.standsIn(session));
    }
}
