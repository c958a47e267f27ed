package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.CueEdit.SetCueFurtherOutputs;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.WayEdit.SendOut;

/** An input, a track, what it sends out or a cue speaks of a port that the rig has no more, or that leads nowhere. */
public final class LostPort implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs have lost their port.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (Input input : session.inputs()) {
            IntStream.range(0, input.ports().size())
                    .filter(channel -> Ports.isLost(rig, input.ports().get(channel)))
                    .mapToObj(channel -> finding(session, rig, input, channel))
                    .forEach(found::add);
        }
        for (Track track : session.tracks()) {
            IntStream.range(0, track.feeds().size())
                    .filter(channel -> track.feeds()
                            .get(channel)
                            .port()
                            .filter(port -> Ports.isLost(rig, port))
                            .isPresent())
                    .mapToObj(channel -> finding(rig, track, channel))
                    .forEach(found::add);
        }
        List<PairId> offered =
                Ports.forCues(session, rig).stream().map(Ports.OfferedPair::id).toList();
        Predicate<PairId> there = offered::contains;
        for (TrackWay way : session.ways()) {
            way.outs().stream()
                    .filter(out -> !there.test(out.pair()))
                    .map(out -> finding(session, rig, way, out))
                    .forEach(found::add);
        }
        for (Cue cue : session.cues()) {
            cue.outputs().stream()
                    .filter(there.negate())
                    .findFirst()
                    .ifPresent(pair -> found.add(finding(cue, pair, cue.outOnlyTo(there), rig)));
        }
        return found.stream().map(each -> each.on(Finding.Topic.LOST)).toList();
    }

    /** @param left the cue at the pairs that are there */
    private static Finding finding(Cue cue, PairId pair, Cue left, Rig rig) {
        boolean still = left.output().isPresent();
        return Finding.fixable(
                Keys.of("lost-output", cue.id(), pair),
                "Cue " + cue.name() + " goes out on a pair that is not in " + rig.name() + " any more.",
                still ? "Nobody hears it there." : "Nobody hears it.",
                List.of(PartKey.of(cue.id())),
                still ? "Let it out by the others alone" : "Clear the output, to choose another",
                List.of(
                        new SetCueOutput(cue.id(), left.output()),
                        new SetCueFurtherOutputs(cue.id(), left.furtherOutputs())));
    }

    private static Finding finding(Session session, Rig rig, TrackWay way, TrackWay.Out out) {
        Track track = session.find(way.track()).orElseThrow();
        return Finding.fixable(
                Keys.of("lost-way-out", track.id(), out.pair(), out.side()),
                track.name() + " is sent out by " + new PartNames(session, rig).outputs(out)
                        + ", by which nothing can be sent out any more.",
                "What hangs there gets nothing.",
                Keys.about(track),
                "Send nothing out there",
                List.of(SendOut.off(track.id(), out)));
    }

    private static Finding finding(Session session, Rig rig, Input input, int channel) {
        PortId port = input.ports().get(channel);
        String label = rig.label(port);
        Optional<PortId> same = Ports.byName(rig, label)
                .map(Port::id)
                .filter(id -> session.inputs().stream().noneMatch(each -> each.goesInto(id)));
        List<PortId> ports = same.map(id -> input.portsWith(id, channel))
                .orElseGet(() -> input.ports().subList(0, channel));
        return Finding.fixable(
                Keys.of("lost-port", input.id(), port),
                Keys.name(input) + ", goes into " + label + ", which does not lead to the interface any more.",
                "Nothing arrives on its track.",
                Keys.about(input),
                same.isPresent() ? "Use the " + label + " that is there now" : "Clear the port, to choose another",
                List.of(new PatchInput(input.id(), ports)));
    }

    private static Finding finding(Rig rig, Track track, int channel) {
        PortId port = track.feeds().get(channel).port().orElseThrow();
        String label = rig.label(port);
        List<Feed> feeds = new ArrayList<>(track.feeds());
        feeds.set(channel, Feed.NOTHING);
        return Finding.fixable(
                Keys.of("lost-feed", track.id(), channel, port),
                "Track " + track.name() + " is fed by " + label + ", which does not lead to the interface any more.",
                "Nothing arrives on it.",
                Keys.about(track),
                "Clear it, to choose another",
                List.of(new FeedTrack(track.id(), feeds)));
    }
}
