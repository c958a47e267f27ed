package vividlantern.patch;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** What can feed a track of a width: inputs and single ports a mono one, pairs a stereo one, wide groups a wide one. */
public final class OfferedFeeds {

    /**
     * Something that can feed all channels of a track.
     *
     * @param name its house label or its source
     * @param label the name first, what else is known of it after
     * @param fedTo the tracks that it feeds already
     */
    public record OfferedFeed(String name, String label, List<Feed> feeds, List<String> fedTo) {}

    private final Session session;
    private final Rig rig;
    private final List<OfferedFeed> offered = new ArrayList<>();
    private final Set<List<Feed>> known = new HashSet<>();

    private OfferedFeeds(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /** What is on offer, that of the input list first. */
    public static List<OfferedFeed> of(Session session, Rig rig, int width) {
        OfferedFeeds feeds = new OfferedFeeds(session, rig);
        switch (width) {
            case 1 -> feeds.addSingles();
            case 2 -> feeds.addPairs();
            default -> feeds.addGroups(width);
        }
        return feeds.offered;
    }

    /** The outputs of sound modules, for instrument tracks: pairs first, then those that are in none. */
    public static List<OfferedFeed> ofSoundModules(Session session, Rig rig) {
        OfferedFeeds feeds = new OfferedFeeds(session, rig);
        List<PortId> outputs = rig.ports().stream()
                .map(Port::id)
                .filter(port ->
                        rig.isOfSoundModule(port) && rig.engineInput(port).isPresent())
                .toList();
        Set<PortId> paired = new HashSet<>();
        for (StereoPair pair : rig.inputPairs()) {
            List<PortId> both = List.of(pair.left(), pair.right());
            if (outputs.containsAll(both)) {
                paired.addAll(both);
                feeds.add(pair.houseLabel(), pair.houseLabel() + ", " + rig.panelName(pair), fromPorts(both));
            }
        }
        outputs.stream().filter(port -> !paired.contains(port)).forEach(feeds::addOutput);
        return feeds.offered;
    }

    private void addOutput(PortId id) {
        Port port = rig.port(id).orElseThrow();
        add(port.houseLabel(), port.houseLabel() + ", " + port.panelName(), fromPorts(List.of(id)));
    }

    private static List<Feed> fromPorts(List<PortId> ports) {
        return ports.stream().map(Feed::from).toList();
    }

    private void addSingles() {
        for (Input input : session.inputs()) {
            for (int channel = 0; channel < input.width(); channel++) {
                add(input.source(), words(input, channel), List.of(Feed.from(input.id(), channel)));
            }
        }
        Ports.free(session, rig)
                .forEach(port -> add(
                        port.houseLabel(),
                        port.houseLabel() + ", " + port.panelName() + arrival(port),
                        List.of(Feed.from(port.id()))));
    }

    /** Where ties lead a port's signal on to. */
    private String arrival(Port port) {
        PortId end = rig.followTies(port.id());
        return end.equals(port.id()) ? "" : " → " + rig.panelNames(List.of(end));
    }

    /** Stereo inputs; two inputs that are the left and the right of one thing, wherever they are patched; the rig's pairs. */
    private void addPairs() {
        addInputs(2);
        List<Input> inputs = session.inputs();
        for (int at = 0; at + 1 < inputs.size(); at++) {
            Input left = inputs.get(at);
            Input right = inputs.get(at + 1);
            NewTracks.both(left, right)
                    .ifPresent(both -> add(
                            both,
                            both + ": " + words(left, 0) + " | " + words(right, 0),
                            List.of(Feed.from(left.id(), 0), Feed.from(right.id(), 0))));
        }
        rig.inputPairs().forEach(pair -> addPorts(pair.houseLabel(), List.of(pair.left(), pair.right())));
    }

    /** Inputs of just this width, all their channels. */
    private void addInputs(int width) {
        session.inputs().stream()
                .filter(input -> input.width() == width)
                .forEach(input -> add(input.source(), words(input), Feed.allOf(input)));
    }

    private void addGroups(int width) {
        addInputs(width);
        rig.inputGroups().stream()
                .filter(group -> group.ports().size() == width)
                .forEach(group -> addPorts(group.houseLabel(), group.ports()));
    }

    private void addPorts(String label, List<PortId> ports) {
        List<PortId> open = Ports.open(rig).stream()
                .filter(port -> rig.carries(port.id(), session.sampleRate()))
                .map(Port::id)
                .toList();
        if (open.containsAll(ports)) {
            String labels = String.join(
                    " | ",
                    ports.stream()
                            .map(port -> rig.port(port).orElseThrow().houseLabel())
                            .toList());
            add(
                    label,
                    label + ": " + labels,
                    ports.stream().map(port -> feed(session, port)).toList());
        }
    }

    private void add(String name, String label, List<Feed> feeds) {
        if (known.add(feeds)) {
            List<String> fedTo = session.tracks().stream()
                    .filter(track -> track.feeds().stream().anyMatch(feeds::contains))
                    .map(Track::name)
                    .toList();
            offered.add(new OfferedFeed(name, label, feeds, fedTo));
        }
    }

    private String words(Input input, int channel) {
        String side = input.width() == 1 ? "" : " " + Channels.word(input.width(), channel);
        return at(numbered(input) + side, input.port(channel).stream().toList());
    }

    private String words(Input input) {
        return at(numbered(input), input.ports());
    }

    private static String numbered(Input input) {
        return "Input " + input.number() + ", " + input.source();
    }

    private String at(String words, List<PortId> ports) {
        String labels = ports.stream()
                .flatMap(port -> rig.port(port).stream())
                .map(Port::houseLabel)
                .collect(Collectors.joining(" | "));
        return labels.isEmpty() ? words : words + ", at " + labels;
    }

    /** How a port feeds: through the input whose cable is in it, so that the track follows the list; else by itself. */
    static Feed feed(Session session, PortId port) {
        return session.inputs().stream()
                .filter(input -> input.goesInto(port))
                .findFirst()
                .map(input -> Feed.from(input.id(), input.ports().indexOf(port)))
                .orElseGet(() -> Feed.from(port));
    }
}
