package vividlantern.preamp;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.chain.Chain;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.Decibels;

/**
 * Changes preamp gains so that what is recorded changes and what is heard does not: the trim of every track behind takes
 * the difference, and so does the level of every send that leaves before the trim, and every direct level. Where only a hand can turn a gain down,
 * they follow when somebody has said that it is done.
 */
public final class HoldEars {

    /** A gain that an input shall get. */
    public record Gain(InputId input, double gainDb) {}

    private static final double ALIKE_DB = 1e-6;

    private final Session session;
    private final Rig rig;
    private final Map<PortId, Double> differences = new HashMap<>();

    private HoldEars(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /**
     * The edits that set gains and hold everybody's level.
     *
     * @throws Refused if a track is fed by inputs whose gains change by different amounts, or a trim or a send would leave
     *     its range
     */
    public static List<Edit> edits(Session session, Rig rig, List<Gain> gains) {
        return new HoldEars(session, rig).edits(gains);
    }

    private List<Edit> edits(List<Gain> gains) {
        List<Edit> edits = new ArrayList<>();
        for (Gain gain : gains) {
            Input input = session.find(gain.input())
                    .orElseThrow(
                            () -> new Refused("There is no input '" + gain.input() + "' in this session.", "input"));
            edits.add(new SetInputGain(gain.input(), gain.gainDb()));
            rig.preampsOf(input.ports()).forEach(preamp -> note(preamp, difference(preamp, input, gain.gainDb())));
        }
        edits.addAll(heldBy());
        return edits;
    }

    /**
     * The edits that follow once a hand has turned a preamp down; going up they came before, so that nobody hears it louder.
     *
     * @param beforeDb where it stood by the last note
     */
    public static List<Edit> turnedDown(Session session, Rig rig, Turned turned, double beforeDb) {
        HoldEars held = new HoldEars(session, rig);
        if (turned.gainDb() < beforeDb) {
            held.differences.put(turned.port(), turned.gainDb() - beforeDb);
        }
        return held.heldBy();
    }

    private void note(Port preamp, double difference) {
        if (preamp.remote() || difference > 0) {
            differences.put(preamp.id(), difference);
        }
    }

    private List<Edit> heldBy() {
        List<Edit> edits = new ArrayList<>();
        for (Track track : session.tracks()) {
            double difference = difference(track);
            if (difference != 0) {
                requireNothingThatDependsOnLevel(track);
                edits.add(new SetTrim(track.id(), held(track.trim(), difference, track.name() + "'s trim")));
                inputSends(track, difference, edits);
            }
        }
        session.direct().forEach(direct -> hold(direct, edits));
        return edits;
    }

    /** What is printed stands before the trim, which could not make up for it. */
    private void requireNothingThatDependsOnLevel(Track track) {
        Chain printed = session.chainsOf(track.id()).printed();
        printed.effects().stream()
                .filter(each -> printed.works(each) && each.type().dependsOnLevel())
                .findFirst()
                .ifPresent(each -> {
                    throw new Refused(
                            "The " + each.type().word() + " printed on " + track.name()
                                    + " sounds otherwise at another level, so ears cannot be held. Switch it off, move it"
                                    + " behind the line, or turn the gain without holding ears.",
                            "gain");
                });
    }

    /** What is heard direct passes no trim. */
    private void hold(DirectLevel direct, List<Edit> edits) {
        Input input = session.find(direct.input()).orElseThrow();
        double difference = alike(
                rig.preampsOf(input.ports()).stream()
                        .map(preamp -> differences.getOrDefault(preamp.id(), 0.0))
                        .toList(),
                "\"" + input.source() + "\" is heard direct with one level for all its channels");
        if (difference != 0) {
            edits.add(new SetDirectLevel(
                    direct.cue(),
                    direct.input(),
                    held(direct.level(), difference, input.source() + "'s direct level")));
        }
    }

    private static double difference(Port preamp, Input input, double gainDb) {
        double beforeDb = input.gainDb().orElse(preamp.gain().minDb());
        return preamp.gain().settle(gainDb) - preamp.gain().settle(beforeDb);
    }

    /** By how much all that feeds a track gets louder. */
    private double difference(Track track) {
        List<Double> ofChannels = track.feeds().stream()
                .filter(feed -> !feed.equals(Feed.NOTHING))
                .map(this::difference)
                .toList();
        return alike(ofChannels, "\"" + track.name() + "\" has one trim for all that feeds it");
    }

    private static double alike(List<Double> differences, String what) {
        double first = differences.stream().findFirst().orElse(0.0);
        if (differences.stream().anyMatch(each -> Math.abs(each - first) > ALIKE_DB)) {
            throw new Refused(
                    what + ", and not all of that changes alike. Change the gains of all its inputs by the same"
                            + " amount, or switch \"Hold ears\" off.",
                    "gains");
        }
        return first;
    }

    private double difference(Feed feed) {
        Optional<PortId> preamp = session.portOf(feed).flatMap(rig::preampFor).map(Port::id);
        return preamp.map(port -> differences.getOrDefault(port, 0.0)).orElse(0.0);
    }

    private void inputSends(Track track, double difference, List<Edit> edits) {
        for (Cue cue : session.cues()) {
            cue.send(track.id())
                    .filter(send -> send.tap() == Tap.INPUT)
                    .map(Send::level)
                    .filter(level -> !level.equals(Decibels.OFF))
                    .ifPresent(level -> edits.add(new SetSendLevel(
                            cue.id(), track.id(), held(level, difference, track.name() + "'s send to " + cue.name()))));
        }
    }

    private static Decibels held(Decibels level, double difference, String what) {
        if (level.equals(Decibels.OFF)) {
            return level;
        }
        Decibels held = Decibels.of(level.value() - difference);
        if (!held.isOnFader()) {
            throw new Refused(
                    what + " would have to go to " + held
                            + "; it reaches from −90.0 to +12.0 dB. Change the gain by less.",
                    "gains");
        }
        return held;
    }
}
