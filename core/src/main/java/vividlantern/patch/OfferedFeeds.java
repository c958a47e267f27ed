package vividlantern.patch;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** What can feed a track of a width: inputs and single ports a mono one, pairs a stereo one, wide groups a wide one. */
public final class OfferedFeeds {

    /**
     * Something that can feed all channels of a track.
     *
     * @param label its house label or its source first, what else is known of it after
     * @param fedTo the tracks that it feeds already
     */
    public record OfferedFeed(String label, List<Feed> feeds, List<String> fedTo) {}

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

    private void addSingles() {
        session.inputs().forEach(input -> add(words(input), List.of(Feed.from(input.id()))));
        Ports.free(session, rig)
                .forEach(port -> add(port.houseLabel() + ", " + port.panelName(), List.of(Feed.from(port.id()))));
    }

    /** Two inputs that are the left and the right of one thing, wherever they are patched; then the pairs of the rig. */
    private void addPairs() {
        List<Input> inputs = session.inputs();
        for (int at = 0; at + 1 < inputs.size(); at++) {
            Input left = inputs.get(at);
            Input right = inputs.get(at + 1);
            NewTracks.both(left, right)
                    .ifPresent(both -> add(
                            both + ": " + words(left) + " | " + words(right),
                            List.of(Feed.from(left.id()), Feed.from(right.id()))));
        }
        rig.inputPairs().forEach(pair -> addPorts(pair.houseLabel(), List.of(pair.left(), pair.right())));
    }

    private void addGroups(int width) {
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
                    label + ": " + labels,
                    ports.stream().map(port -> feed(session, port)).toList());
        }
    }

    private void add(String label, List<Feed> feeds) {
        if (known.add(feeds)) {
            List<String> fedTo = session.tracks().stream()
                    .filter(track -> track.feeds().stream().anyMatch(feeds::contains))
                    .map(Track::name)
                    .toList();
            offered.add(new OfferedFeed(label, feeds, fedTo));
        }
    }

    private String words(Input input) {
        String number = "Input " + input.number() + ", " + input.source();
        return input.port()
                .flatMap(rig::port)
                .map(port -> number + ", at " + port.houseLabel())
                .orElse(number);
    }

    /** How a port feeds: through the input whose cable is in it, so that the track follows the list; else by itself. */
    static Feed feed(Session session, PortId port) {
        return session.inputs().stream()
                .filter(input -> input.port().equals(Optional.of(port)))
                .map(Input::id)
                .findFirst()
                .map((InputId input) -> Feed.from(input))
                .orElseGet(() -> Feed.from(port));
    }
}
