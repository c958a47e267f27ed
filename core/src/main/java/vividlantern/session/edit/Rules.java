package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Device;
import vividlantern.rig.Driver;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.BringLine;
import vividlantern.session.BringLineId;
import vividlantern.session.Channels;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.units.Decibels;
import vividlantern.units.PlainNumber;

/** What every edit asks of its fields, and how parts are called when it speaks of them. */
final class Rules {

    private static final double FURTHEST = 1e9;

    private Rules() {}

    static Performer known(Session session, PerformerId id) {
        return session.find(id).orElseThrow(() -> unknown("performer", id));
    }

    static Input known(Session session, InputId id) {
        return session.find(id).orElseThrow(() -> unknown("input", id));
    }

    static Track known(Session session, TrackId id) {
        return session.find(id).orElseThrow(() -> unknown("track", id));
    }

    static Cue known(Session session, CueId id) {
        return session.find(id).orElseThrow(() -> unknown("cue", id));
    }

    static TrackGroup known(Session session, TrackGroupId id) {
        return session.find(id).orElseThrow(() -> unknown("group", id));
    }

    static BringLine known(Session session, BringLineId id) {
        return session.bringing().stream()
                .filter(line -> line.id().equals(id))
                .findFirst()
                .orElseThrow(() -> unknown("line", id));
    }

    static Marker known(Session session, MarkerId id) {
        return session.markers().stream()
                .filter(marker -> marker.id().equals(id))
                .findFirst()
                .orElseThrow(() -> unknown("marker", id));
    }

    static ControlRoomSource known(Session session, SourceId id) {
        return session.inControlRoom().source(id).orElseThrow(() -> unknown("source", id));
    }

    static String name(Session session, PerformerId id) {
        return session.find(id).map(Performer::name).orElse(id.value());
    }

    static String name(Session session, InputId id) {
        return session.find(id)
                .map(input -> "Input " + input.number() + ", " + input.source())
                .orElse(id.value());
    }

    static String name(Session session, TrackId id) {
        return session.find(id).map(Track::name).orElse(id.value());
    }

    static String name(Session session, CueId id) {
        return session.find(id).map(Cue::name).orElse(id.value());
    }

    static String name(Rig rig, PairId id) {
        return rig.pair(id).map(StereoPair::houseLabel).orElse(id.value());
    }

    static String name(Rig rig, MicId id) {
        return rig.mics().stream()
                .filter(mic -> mic.id().equals(id))
                .findFirst()
                .map(Mic::name)
                .orElse(id.value());
    }

    static String interfaceName(Rig rig) {
        return rig.leadingInterface().map(Device::name).orElse(rig.name());
    }

    static Decibels fader(Decibels level, String what) {
        if (!level.isOnFader()) {
            throw new Refused(
                    what + " is off or lies between \u221290.0 and +12.0 dB; " + level + " does not.", "level");
        }
        return level.toFaderStep();
    }

    static Corner corner(String what, boolean on, double hz, Corner.Range range) {
        if (!(hz >= range.lowestHz() && hz <= range.highestHz())) {
            throw new Refused(
                    what + " has its corner between " + range.lowestHz() + " and " + range.highestHz() + " Hz; " + hz
                            + " is not.",
                    "hz");
        }
        return new Corner(on, Math.rint(hz));
    }

    /** A setting of a compressor, in its steps. */
    static double within(Compressor.Range range, double value, String field) {
        if (!(value >= range.from() && value <= range.to())) {
            throw new Refused(
                    "A compressor's " + range.word() + " lies between " + PlainNumber.of(range.from()) + " and "
                            + PlainNumber.of(range.to()) + " " + range.unit() + "; " + PlainNumber.of(value)
                            + " does not.",
                    field);
        }
        return range.stepped(value);
    }

    static void freeNumber(Session session, int number) {
        if (number < 1 || number > Input.HIGHEST_NUMBER) {
            throw new Refused("Inputs are numbered from 1 to " + Input.HIGHEST_NUMBER + ".", "number");
        }
        session.inputs().stream()
                .filter(input -> input.number() == number)
                .findFirst()
                .ifPresent(input -> {
                    throw new Refused("Number " + number + " is \"" + input.source() + "\" already.", "number");
                });
    }

    static void inputPort(Rig rig, PortId id) {
        Port port = rig.port(id)
                .orElseThrow(() -> new Refused("There is no port '" + id + "' in " + rig.name() + ".", "port"));
        if (port.direction() != Port.Direction.IN) {
            throw new Refused(port.houseLabel() + " is an output; an input's cable goes into an input port.", "port");
        }
    }

    /** A port that a cable can go into. */
    static void cablePort(Rig rig, PortId id) {
        inputPort(rig, id);
        if (rig.isOfSoundModule(id)) {
            throw new Refused(
                    rig.label(id)
                            + " is an output of a sound module; no cable goes into it. Give it an instrument track.",
                    "ports");
        }
    }

    /** An input port from which something reaches the engine; gives its channel there. */
    static int reachesEngine(Rig rig, PortId id) {
        inputPort(rig, id);
        return rig.engineInput(id)
                .orElseThrow(() -> new Refused(
                        rig.label(id) + " leads to no interface that the engine runs on. Choose one that does.",
                        "port"));
    }

    /** A source of the control room whose ports are all there and nobody else's. */
    static ControlRoomSource freeSource(Session session, Rig rig, ControlRoomSource source) {
        sourceWidth(source);
        reachesEngine(rig, source.first());
        List<PortId> ports = source.ports(rig);
        if (ports.size() < source.width()) {
            throw new Refused(
                    "From " + rig.label(source.first()) + " on there are " + ports.size() + " of the " + source.width()
                            + " ports that " + source.name() + " needs.",
                    "port");
        }
        Session others =
                session.withControlRoom(Optional.of(session.inControlRoom().without(source.id())));
        ports.forEach(port -> freePort(others, rig, port));
        return source;
    }

    /** A port that reaches the engine and that nothing of a session uses. */
    static void freePort(Session session, Rig rig, PortId port) {
        userOf(session, rig, reachesEngine(rig, port)).ifPresent(user -> {
            throw new Refused(
                    rig.label(port) + " is in use by " + user + ". Choose a port that nothing else uses.", "port");
        });
    }

    static void sourceWidth(ControlRoomSource source) {
        if (source.width() < 1 || source.width() > ControlRoomSource.MAX_WIDTH) {
            throw new Refused("A source has 1 to " + ControlRoomSource.MAX_WIDTH + " channels.", "width");
        }
    }

    /** Who has one of the engine's inputs. */
    private static Optional<String> userOf(Session session, Rig rig, int channel) {
        return session.inputs().stream()
                .filter(input -> input.ports().stream().anyMatch(port -> leadsTo(rig, port, channel)))
                .map(input -> name(session, input.id()))
                .findFirst()
                .or(() -> session.tracks().stream()
                        .filter(track -> track.feeds().stream()
                                .anyMatch(feed -> feed.port()
                                        .filter(port -> leadsTo(rig, port, channel))
                                        .isPresent()))
                        .map(track -> "track " + track.name())
                        .findFirst())
                .or(() -> session.inControlRoom().comesInBy(rig).entrySet().stream()
                        .filter(each -> each.getValue().stream().anyMatch(port -> leadsTo(rig, port, channel)))
                        .map(Map.Entry::getKey)
                        .findFirst());
    }

    private static boolean leadsTo(Rig rig, PortId port, int channel) {
        return rig.engineInput(port).equals(Optional.of(channel));
    }

    /** Whether the interface's own matrix can bring an input to headphones. */
    static void directWay(Rig rig, Input input) {
        if (!rig.driver().directMonitoring()) {
            throw new Refused(
                    interfaceName(rig) + " has no direct monitoring; its inputs are heard through the engine.",
                    "input");
        }
        input.ports().stream()
                .filter(port -> !rig.isAtTheLeadingInterface(port))
                .findFirst()
                .ifPresent(port -> {
                    throw new Refused(
                            rig.label(port) + " is not an input of " + interfaceName(rig)
                                    + ", so its matrix cannot send it to headphones.",
                            "input");
                });
    }

    private static StereoPair outputPair(Rig rig, PairId id) {
        return rig.outputPair(id)
                .orElseThrow(
                        () -> new Refused("There is no output pair '" + id + "' in " + rig.name() + ".", "output"));
    }

    static void mainPair(Session session, Rig rig, PairId id) {
        StereoPair pair = outputPair(rig, id);
        session.cues().stream().filter(cue -> cue.leavesBy(id)).findFirst().ifPresent(cue -> {
            throw new Refused(
                    "Cue " + cue.name() + " leaves by " + pair.houseLabel()
                            + ". Give it another pair first; speakers and headphones do not share one.",
                    "output");
        });
        session.tracks().stream()
                .filter(track -> session.wayOf(track.id()).outs().stream()
                        .anyMatch(out -> out.pair().equals(id)))
                .findFirst()
                .ifPresent(track -> {
                    throw new Refused(
                            track.name() + " is sent out by " + pair.houseLabel()
                                    + ". Send it out by another pair first; there tracks are heard by the main mix.",
                            "output");
                });
    }

    static void cuePair(Session session, Rig rig, PairId id) {
        besideMain(session, rig, id, "Choose a pair that feeds headphones.");
    }

    /** A pair by which something is sent out that is not for the control room. */
    static void pairBesideMain(Session session, Rig rig, PairId id) {
        besideMain(session, rig, id, "Choose another pair; there tracks are heard by the main mix.");
    }

    private static void besideMain(Session session, Rig rig, PairId id, String instead) {
        StereoPair pair = outputPair(rig, id);
        boolean carriesMain = session.main().output().equals(Optional.of(id));
        if (!session.main().leavesFree(pair)) {
            String why = carriesMain
                    ? "carries the main mix"
                    : "is for " + pair.feeds().words();
            throw new Refused(pair.houseLabel() + " (" + rig.panelName(pair) + ") " + why + ". " + instead, "output");
        }
    }

    /** Where a track stands that is added at the end. */
    static double lastPosition(Session session) {
        return session.tracks().stream().mapToDouble(Track::position).max().orElse(0) + 1;
    }

    static List<Feed> feeds(Session session, Rig rig, List<Feed> feeds, int width) {
        if (feeds.size() > width) {
            throw new Refused("The track has " + width + " channels; " + feeds.size() + " feeds do not fit.", "feeds");
        }
        feeds.forEach(feed -> {
            feed.input().ifPresent(id -> channel(known(session, id), feed.channel()));
            feed.port().ifPresent(id -> inputPort(rig, id));
        });
        List<Feed> all = new ArrayList<>(feeds);
        while (all.size() < width) {
            all.add(Feed.NOTHING);
        }
        return all;
    }

    private static void channel(Input input, int channel) {
        if (channel < 0 || channel >= input.width()) {
            throw new Refused(
                    "\"" + input.source() + "\" is " + Channels.width(input.width()) + "; it has no channel "
                            + (channel + 1) + ".",
                    "feeds");
        }
    }

    /** An instrument track is fed by a sound module, an input track by inputs and by ports that one plugs into. */
    static void ofKind(Rig rig, Track.Role role, List<Feed> feeds) {
        for (Feed feed : feeds) {
            boolean ofModule = feed.port().filter(rig::isOfSoundModule).isPresent();
            boolean ofOthers = !feed.equals(Feed.NOTHING) && !ofModule;
            if (role == Track.Role.INSTRUMENT && ofOthers) {
                throw new Refused("An instrument track is fed by outputs of a sound module.", "feeds");
            }
            if (role == Track.Role.INPUT && (ofModule || feed.track().isPresent())) {
                throw new Refused(
                        "A track for inputs is fed by inputs and ports. What a sound module plays goes to an instrument"
                                + " track.",
                        "feeds");
            }
        }
    }

    static String words(Session session, Rig rig, List<Feed> feeds) {
        List<String> words = feeds.stream()
                .map(feed -> feed.input()
                        .flatMap(session::find)
                        .map(input -> words(input, feed.channel()))
                        .or(() -> feed.port().map(rig::label))
                        .orElse("nothing"))
                .toList();
        return words.isEmpty() ? "nothing" : String.join(" | ", words);
    }

    private static String words(Input input, int channel) {
        String name = "Input " + input.number() + ", " + input.source();
        return input.width() == 1 ? name : name + " " + Channels.word(input.width(), channel);
    }

    private static Refused unknown(String kind, Object id) {
        return new Refused("There is no " + kind + " '" + id + "' in this session.", kind);
    }

    /** Refuses what no file that can be taken in is like. */
    static void sound(Media media) {
        Ids.require(media.id().value(), "media");
        Texts.name(media.name(), "A sound", "media");
        if (media.channels() < 1 || media.channels() > Media.MOST_CHANNELS) {
            throw new Refused("A sound has 1 to " + Media.MOST_CHANNELS + " channels.", "media");
        }
        if (media.sampleRate() < Media.LOWEST_RATE || media.sampleRate() > Media.HIGHEST_RATE || media.frames() < 1) {
            throw new Refused(
                    "A sound has a rate of " + Media.LOWEST_RATE / 1000 + " to " + Media.HIGHEST_RATE / 1000
                            + " kHz and at least one frame.",
                    "media");
        }
    }

    static void position(double position, String field) {
        within(position, -FURTHEST, FURTHEST, "A place in a list", field);
    }

    static void buffer(int frames, String field) {
        within(frames, Driver.LEAST_BUFFER, Driver.MOST_BUFFER, "A buffer in frames", field);
    }

    static void within(double value, double least, double most, String what, String field) {
        if (!(value >= least && value <= most)) {
            throw new Refused(
                    what + " lies between " + PlainNumber.of(least) + " and " + PlainNumber.of(most) + "; "
                            + PlainNumber.of(value) + " does not.",
                    field);
        }
    }

    /** Refuses two with the same of something. */
    static <T> void requireDifferent(List<T> all, Function<T, ?> what, String fault) {
        if (all.stream().map(what).distinct().count() < all.size()) {
            throw new Refused("Two " + fault + ".", "");
        }
    }

    /** Refuses another one that has the same of something as a given one. */
    static <T> void requireDifferent(List<T> all, Function<T, ?> what, T one, String fault) {
        if (all.stream()
                        .filter(each -> what.apply(each).equals(what.apply(one)))
                        .count()
                > 1) {
            throw new Refused("Two " + fault + ".", "");
        }
    }
}
