package vividlantern.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import vividlantern.rig.Mic;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Acknowledgement;
import vividlantern.session.Backing;
import vividlantern.session.BringLine;
import vividlantern.session.Channels;
import vividlantern.session.ClickPattern;
import vividlantern.session.ControlRoom;
import vividlantern.session.Corner;
import vividlantern.session.Cue;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Marker;
import vividlantern.session.MarkerId;
import vividlantern.session.Monitoring;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.Settings;
import vividlantern.session.SongEntry;
import vividlantern.session.SourceKind;
import vividlantern.session.TempoMap;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.units.PlainNumber;

/** What the parts of a session are called, and what each is like, thing by thing, in words and numbers. */
final class PartWords {

    private final Rig rig;

    PartWords(Rig rig) {
        this.rig = rig;
    }

    String name(Session session, PartKey key, Part part) {
        return switch (key.kind()) {
            case SETTINGS -> "Session";
            case CLICK -> "Click";
            case TEMPO_MAP -> "Tempo";
            case PERFORMER -> "Performer " + ((Performer) part).name();
            case MARKER -> "Marker " + ((Marker) part).name();
            case INPUT -> "Input " + ((Input) part).source();
            case TRACK -> "Track " + ((Track) part).name();
            case CUE -> "Cue " + ((Cue) part).name();
            case SEND ->
                track(session, key.track()) + " in cue "
                        + session.find(key.cue()).map(Cue::name).orElse("");
            case ACKNOWLEDGEMENT -> "Acknowledged finding";
            case VIEW -> "View " + ((TrackView) part).name();
            case GROUP -> "Group " + ((TrackGroup) part).name();
            case BRING -> "To bring: " + ((BringLine) part).what();
            case SONG -> "Song list";
            case DIRECT -> {
                DirectLevel direct = (DirectLevel) part;
                yield input(session, direct.input()) + " direct in cue "
                        + session.find(direct.cue()).map(Cue::name).orElse("");
            }
            case MONITORING -> "Monitoring";
            case CONTROL_ROOM -> "Control room";
            case BACKING -> "What " + track(session, ((Backing) part).track()) + " plays";
        };
    }

    /** What a part is like. */
    Map<String, String> traits(Session session, PartKind kind, Part part) {
        Map<String, String> traits = new LinkedHashMap<>();
        switch (kind) {
            case SETTINGS -> describe((Settings) part, traits);
            case CLICK -> describe(session, (ClickPattern) part, traits);
            case TEMPO_MAP -> describe((TempoMap) part, traits);
            case PERFORMER -> {
                Performer performer = (Performer) part;
                traits.put("name", performer.name());
                traits.put("badge", performer.badge());
                traits.put("place", performer.place());
                traits.put("plays", performer.plays().map(SourceKind::words).orElse("as their inputs say"));
                traits.put(
                        "hears by",
                        performer.metres() == 0
                                ? "headphones"
                                : "a speaker " + PlainNumber.of(performer.metres()) + " m away");
            }
            case MARKER -> {
                traits.put("name", ((Marker) part).name());
                traits.put("bar", String.valueOf(((Marker) part).bar()));
                traits.put("needs a click", ((Marker) part).needsClick() ? "yes" : "no");
            }
            case INPUT -> describe(session, (Input) part, traits);
            case TRACK -> describe(session, (Track) part, traits);
            case CUE -> describe(session, (Cue) part, traits);
            case SEND -> describe((Send) part, traits);
            case ACKNOWLEDGEMENT -> traits.put("reason", ((Acknowledgement) part).reason());
            case VIEW -> traits.put("hidden tracks", tracks(session, ((TrackView) part).hidden()));
            case GROUP -> {
                TrackGroup group = (TrackGroup) part;
                traits.put("name", group.name());
                traits.put("tracks", tracks(session, group.tracks()));
                traits.put(
                        "shares",
                        group.links().stream().map(TrackGroup.Link::toString).collect(Collectors.joining(", ")));
            }
            case BRING -> {
                traits.put("what", ((BringLine) part).what());
                traits.put("count", String.valueOf(((BringLine) part).count()));
            }
            case SONG -> {
                SongEntry entry = (SongEntry) part;
                traits.put("place", PlainNumber.of(entry.place()));
                traits.put("key", entry.key());
                traits.put("notes", entry.notes());
            }
            case DIRECT -> {
                traits.put("level", ((DirectLevel) part).level().toString());
                traits.put("pan", ((DirectLevel) part).pan().toString());
            }
            case MONITORING -> {
                Monitoring monitoring = (Monitoring) part;
                monitoring
                        .tolerances()
                        .forEach(each ->
                                traits.put(each.kind().words(), PlainNumber.of(each.ms()) + " ms late at most"));
                traits.put("buffer to record", monitoring.recordBuffer() + " frames");
                traits.put("buffer to mix", monitoring.mixBuffer() + " frames");
                traits.put("at", monitoring.purpose() == Monitoring.Purpose.RECORD ? "record" : "mix");
            }
            case CONTROL_ROOM -> describe((ControlRoom) part, traits);
            case BACKING -> describe((Backing) part, traits);
        }
        return traits;
    }

    private void describe(Settings settings, Map<String, String> traits) {
        traits.put("name", settings.name());
        traits.put("song", settings.song());
        traits.put("sample rate", PlainNumber.of(settings.sampleRate() / 1000.0) + " kHz");
        traits.put("bit depth", settings.bitDepth() + " bit");
        traits.put("buffer", settings.bufferFrames() + " frames");
        traits.put("rig", settings.rigId().value());
        traits.put("main level", settings.main().level().toString());
        traits.put("main speakers", settings.main().output().map(this::pair).orElse("none"));
    }

    private void describe(ControlRoom room, Map<String, String> traits) {
        traits.put("dim", PlainNumber.of(room.dimDb()) + " dB");
        for (ControlRoom.SpeakerSet which : ControlRoom.SpeakerSet.values()) {
            ControlRoom.Speakers speakers = room.speakers(which);
            traits.put(which.words(), speakers.level() + ", mark " + speakers.mark());
            traits.put(which.words() + " stand in", speakers.room());
            traits.put(
                    which.words() + " near an open mic", speakers.nearOpenMics().words());
        }
        traits.put(
                "listen mic",
                room.listenMic()
                        .map(mic -> rig.label(mic.port()) + ", " + mic.level())
                        .orElse("none"));
        room.sources()
                .forEach(source -> traits.put(
                        "source " + source.name(),
                        Channels.width(source.width()) + " from " + rig.label(source.first()) + ", " + source.level()));
    }

    private static void describe(Session session, ClickPattern click, Map<String, String> traits) {
        traits.put("count-in", bars(click.countInBars()));
        traits.put("sounds", click.when());
        traits.put("stops", click.stopsAfterBars() == 0 ? "never" : "after " + bars(click.stopsAfterBars()));
        traits.put(
                "silent in",
                click.silentIn().stream().map(id -> part(session, id)).collect(Collectors.joining(", ")));
        click.voices().forEach(voice -> traits.put("voice " + voice.name(), words(session, voice)));
    }

    private static String bars(int count) {
        return count + (count == 1 ? " bar" : " bars");
    }

    private static String part(Session session, MarkerId id) {
        return session.markers().stream()
                .filter(marker -> marker.id().equals(id))
                .findFirst()
                .map(Marker::name)
                .orElse(id.value());
    }

    private static void describe(Backing backing, Map<String, String> traits) {
        traits.put("sound", backing.media().name());
        traits.put(
                "begins at",
                backing.follows() == Backing.Follows.BARS
                        ? "bar " + backing.bar() + ", beat " + PlainNumber.of(backing.beat())
                        : PlainNumber.of(backing.seconds()) + " s");
        traits.put("from", PlainNumber.of(backing.from()) + " s");
        traits.put("to", PlainNumber.of(backing.to()) + " s");
        traits.put("loops", backing.loops() ? "yes" : "no");
    }

    private static void describe(TempoMap map, Map<String, String> traits) {
        traits.put("tempos", map.tempos().stream().map(PartWords::words).collect(Collectors.joining("; ")));
        traits.put(
                "time signatures",
                map.meters().stream()
                        .map(meter -> meter.beats() + "/" + meter.noteValue()
                                + (meter.feltIn() == 0 ? "" : " felt in " + meter.feltIn()) + " from bar "
                                + meter.bar())
                        .collect(Collectors.joining("; ")));
        traits.put(
                "pick-up",
                map.pickUpQuarters() == 0 ? "none" : PlainNumber.of(map.pickUpQuarters()) + " quarter notes");
        traits.put("last bar", map.lastBar().map(String::valueOf).orElse("open"));
    }

    private void describe(Session session, Cue cue, Map<String, String> traits) {
        traits.put("name", cue.name());
        traits.put("output", cue.output().map(this::pair).orElse("none"));
        traits.put("level for all", cue.level().toString());
        traits.put("ceiling guard", onOff(cue.guarded()));
        traits.put("high-pass", words(cue.highPass()));
        traits.put("low-pass", words(cue.lowPass()));
        traits.put(
                "who listens",
                cue.listeners().stream().map(id -> performer(session, id)).collect(Collectors.joining(", ")));
    }

    private static void describe(Send send, Map<String, String> traits) {
        traits.put("level", send.level().toString());
        traits.put("pan", send.panAsMain() ? "as main" : send.pan().toString());
        traits.put("mute", onOff(send.muted()));
        traits.put("tap", send.tap().toString());
    }

    private void describe(Session session, Input input, Map<String, String> traits) {
        traits.put("number", String.valueOf(input.number()));
        traits.put("source", input.source());
        traits.put(
                "performer", input.performer().map(id -> performer(session, id)).orElse("nobody"));
        traits.put("mic", rig.micIn(input.mic()).map(Mic::listed).orElse(input.mic()));
        traits.put("stand", input.stand());
        traits.put("cable", PlainNumber.of(input.cableMetres()) + " m");
        traits.put("place", input.place());
        traits.put("+48 V", word(input.phantom()));
        traits.put("level", word(input.level()));
        traits.put("pad", onOff(input.pad()));
        traits.put("channels", String.valueOf(input.width()));
        traits.put("port", input.ports().isEmpty() ? "none" : rig.labels(input.ports()));
        traits.put("gain", PlainNumber.of(input.gainDb()) + " dB");
        traits.put("polarity", input.polarityFlipped() ? "flipped" : "normal");
        traits.put("cut", onOff(input.cut()));
        traits.put("notes", input.notes());
    }

    private void describe(Session session, Track track, Map<String, String> traits) {
        traits.put("name", track.name());
        traits.put("channels", String.valueOf(track.width()));
        traits.put(
                "fed by",
                track.feeds().stream().map(feed -> words(session, feed)).collect(Collectors.joining(" | ")));
        traits.put("armed", onOff(track.armed()));
        traits.put("hear", track.hear().toString());
        traits.put("trim", track.trim().toString());
        traits.put("polarity", track.polarityFlipped() ? "flipped" : "normal");
        traits.put("shift", track.shiftFrames() + " frames");
        traits.put("pan", track.pan().toString());
        traits.put("fader", track.fader().toString());
        traits.put("mute", onOff(track.muted()));
        traits.put("solo", onOff(track.soloed()));
        traits.put("solo-safe", onOff(track.soloSafe()));
        traits.put("colour", word(track.look().colour()));
        traits.put("mark", word(track.look().mark()));
        traits.put("folder", track.look().folder());
        traits.put("hidden", onOff(track.look().hidden()));
        traits.put("place among the tracks", PlainNumber.of(track.position()));
    }

    private String words(Session session, Feed feed) {
        return feed.input()
                .flatMap(session::find)
                .map(input ->
                        input.source() + (input.width() == 1 ? "" : " " + Channels.word(input.width(), feed.channel())))
                .or(() -> feed.track().map(id -> track(session, id) + " channel " + (feed.channel() + 1)))
                .or(() -> feed.port().map(rig::label))
                .orElse("nothing");
    }

    private static String words(Session session, ClickPattern.Voice voice) {
        String own = voice.ownSound()
                .map(media -> "struck from " + media.name() + ", ")
                .orElse("");
        return own + word(voice.sound()) + ", " + PlainNumber.of(voice.pitchHz()) + " Hz, " + voice.stepsPerBeat()
                + (voice.stepsPerBeat() == 1 ? " step" : " steps") + " a beat"
                + (voice.betweenBeats() ? ", between beats" : "") + ", accent " + voice.accent()
                + voice.accentPitchHz()
                        .map(hz -> " at " + PlainNumber.of(hz) + " Hz")
                        .orElse("")
                + voice.decayMs()
                        .map(ms -> ", decay " + PlainNumber.of(ms) + " ms")
                        .orElse("")
                + voice.patterns().stream()
                        .map(pattern -> words(session, pattern))
                        .collect(Collectors.joining());
    }

    private static String words(Session session, ClickPattern.BarPattern pattern) {
        return ", " + pattern.beats() + "/" + pattern.noteValue() + " "
                + pattern.part().map(part -> "in " + part(session, part) + " ").orElse("")
                + pattern.strokes().stream().map(PartWords::word).collect(Collectors.joining(" "));
    }

    private static String words(TempoMap.Tempo tempo) {
        return PlainNumber.of(tempo.beatsPerMinute()) + " " + word(tempo.unit()) + "s a minute from quarter "
                + PlainNumber.of(tempo.atQuarter()) + (tempo.rampToNext() ? ", moving to the next" : "");
    }

    private static String words(Corner corner) {
        return corner.on() ? PlainNumber.of(corner.hz()) + " Hz" : "off";
    }

    private static String tracks(Session session, List<TrackId> ids) {
        return ids.stream().map(id -> track(session, id)).collect(Collectors.joining(", "));
    }

    private static String track(Session session, TrackId id) {
        return session.find(id).map(Track::name).orElse(id.value());
    }

    private static String input(Session session, InputId id) {
        return session.find(id).map(Input::source).orElse(id.value());
    }

    private static String performer(Session session, PerformerId id) {
        return session.find(id).map(Performer::name).orElse(id.value());
    }

    private String pair(PairId id) {
        return rig.pair(id).map(StereoPair::houseLabel).orElse(id.value());
    }

    private static String onOff(boolean on) {
        return on ? "on" : "off";
    }

    private static String word(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
