package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.mix.LiveState;
import vividlantern.rig.Device;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.DirectEdit.SetDirectPan;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.units.Decibels;

/**
 * Lets a performer hear themselves direct, through the engine, or both; returns the edits that do it. Direct begins as loud as
 * their sends are; sends that are not wanted are muted, so that their levels stay.
 */
public final class OwnWays {

    private final Session session;
    private final Rig rig;
    private final Performer performer;
    private final Cue cue;

    private OwnWays(Session session, Rig rig, Performer performer, Cue cue) {
        this.session = session;
        this.rig = rig;
        this.performer = performer;
        this.cue = cue;
    }

    /**
     * The edits that make the ways of a performer the wanted ones, and what would come of it.
     *
     * @param twice what it means that they would hear themselves by both ways at once; "" if they would not, or do already
     */
    public record ProposedWays(List<Edit> edits, String twice) {}

    /** @param notReported what the interface takes beyond what its driver reports, in frames */
    public static ProposedWays proposal(
            Session session,
            Rig rig,
            LiveState live,
            double notReported,
            PerformerId id,
            boolean direct,
            boolean engine) {
        List<Edit> edits = edits(session, rig, id, direct, engine);
        boolean already = twice(session, rig, live, notReported, id).isPresent();
        Session then = Edit.applyAll(edits, session, rig);
        Optional<String> twice = already ? Optional.empty() : twice(then, rig, live, notReported, id);
        return new ProposedWays(edits, twice.orElse(""));
    }

    private static Optional<String> twice(
            Session session, Rig rig, LiveState live, double notReported, PerformerId id) {
        return new Timing(session, rig, live, notReported)
                .performers().stream()
                        .filter(each -> each.performer().equals(id))
                        .flatMap(each -> each.twice().stream())
                        .map(PerformerTiming.Twice::sentence)
                        .findFirst();
    }

    /** The edits that make the ways of a performer to their own sound the wanted ones. */
    public static List<Edit> edits(Session session, Rig rig, PerformerId id, boolean direct, boolean engine) {
        Performer performer = session.find(id)
                .orElseThrow(() -> new Refused("There is no performer '" + id + "' in this session.", "performer"));
        Cue cue = Timing.cueOf(session, rig, performer)
                .orElseThrow(() -> new Refused(
                        performer.name() + " hears no cue that leaves anywhere. Give them one under Cues first.",
                        "performer"));
        OwnWays ways = new OwnWays(session, rig, performer, cue);
        List<Edit> edits = new ArrayList<>();
        edits.addAll(direct ? ways.heardDirect() : ways.notDirect());
        edits.addAll(ways.throughTheEngine(engine, direct ? ways.canBeDirect() : ways.inputs()));
        return edits;
    }

    /** Why a performer cannot hear themselves direct; "" if they can. */
    static String whyNotDirect(Session session, Rig rig, Performer performer) {
        String name = rig.leadingInterface().map(Device::name).orElse(rig.name());
        if (!rig.driver().directMonitoring()) {
            return name + " has no direct monitoring.";
        }
        if (Timing.cueOf(session, rig, performer).isEmpty()) {
            return performer.name() + " hears no cue that leaves anywhere.";
        }
        List<PortId> ports = Timing.inputsOf(session, performer).stream()
                .flatMap(input -> input.ports().stream())
                .toList();
        if (ports.isEmpty()) {
            return "None of " + performer.name() + "'s inputs has a port.";
        }
        return ports.stream().anyMatch(rig::isAtTheLeadingInterface)
                ? ""
                : rig.labels(ports) + " come in elsewhere than at " + name + ".";
    }

    private List<Edit> heardDirect() {
        String why = whyNotDirect(session, rig, performer);
        if (!why.isEmpty()) {
            throw new Refused(why, "direct");
        }
        List<Edit> edits = new ArrayList<>();
        canBeDirect().stream()
                .filter(input -> session.direct(cue.id(), input.id()).isEmpty())
                .forEach(input -> as(input).ifPresent(edits::addAll));
        if (edits.isEmpty() && directs().isEmpty()) {
            throw new Refused(
                    cue.name() + " has no send of " + performer.name()
                            + "'s tracks to begin from. Raise one under Cues, or a direct level under Monitoring.",
                    "direct");
        }
        return edits;
    }

    private List<Input> inputs() {
        return Timing.inputsOf(session, performer);
    }

    /** Their inputs that come in at the interface with the matrix; others they hear through the engine or not at all. */
    private List<Input> canBeDirect() {
        return inputs().stream()
                .filter(input ->
                        !input.ports().isEmpty() && input.ports().stream().allMatch(rig::isAtTheLeadingInterface))
                .toList();
    }

    /** A direct level as loud and where the loudest send of an input is. */
    private Optional<List<Edit>> as(Input input) {
        Decibels loudest = Decibels.OFF;
        Send of = null;
        for (Track track : session.tracks()) {
            Optional<Send> send = cue.send(track.id());
            if (send.isPresent() && isFedBy(track, input)) {
                Decibels level = heardLevel(track, send.get());
                if (level.compareTo(loudest) > 0) {
                    loudest = level;
                    of = send.get().panAsMain() ? send.get().panned(track.pan()) : send.get();
                }
            }
        }
        if (of == null) {
            return Optional.empty();
        }
        double within = Math.max(Decibels.FADER_MIN, Math.min(Decibels.FADER_MAX, loudest.value()));
        return Optional.of(List.of(
                new SetDirectLevel(cue.id(), input.id(), Decibels.of(within)),
                new SetDirectPan(cue.id(), input.id(), of.pan())));
    }

    private Decibels heardLevel(Track track, Send send) {
        double gain = send.level().gain() * cue.level().gain();
        if (send.tap() != Tap.INPUT) {
            gain *= track.trim().gain();
        }
        if (send.tap() == Tap.POST_FADER) {
            gain *= track.fader().gain();
        }
        return Decibels.ofGain(gain);
    }

    private boolean isFedBy(Track fed, Input input) {
        return fed.feeds().stream()
                .anyMatch(feed -> session.inputOf(feed).map(Input::id).equals(Optional.of(input.id())));
    }

    private List<Input> directs() {
        return inputs().stream()
                .filter(input -> session.direct(cue.id(), input.id()).isPresent())
                .toList();
    }

    private List<Edit> notDirect() {
        return directs().stream()
                .<Edit>map(input -> new SetDirectLevel(cue.id(), input.id(), Decibels.OFF))
                .toList();
    }

    /** @param silenced of whose inputs the sends are muted if the engine is not wanted */
    private List<Edit> throughTheEngine(boolean wanted, List<Input> silenced) {
        List<Edit> edits = new ArrayList<>();
        boolean any = false;
        for (Send send : cue.sends()) {
            Track track = session.find(send.trackId()).orElseThrow();
            if (isTheirs(track) && !send.level().isOff()) {
                any = true;
                if (send.muted() == wanted && (wanted || isFedBy(track, silenced))) {
                    edits.add(new MuteSend(cue.id(), track.id(), !wanted));
                }
            }
        }
        if (wanted && !any) {
            throw new Refused(
                    cue.name() + " has no send of " + performer.name() + "'s tracks. Raise one under Cues.", "engine");
        }
        return edits;
    }

    /** Whether all that feeds a track is among some inputs. */
    private boolean isFedBy(Track fed, List<Input> among) {
        return fed.feeds().stream()
                .flatMap(feed -> session.inputOf(feed).stream())
                .allMatch(among::contains);
    }

    /** Whether all that feeds a track is theirs. */
    private boolean isTheirs(Track track) {
        List<Feed> feeds = track.feeds().stream()
                .filter(feed -> !feed.equals(Feed.NOTHING))
                .toList();
        return !feeds.isEmpty()
                && feeds.stream()
                        .allMatch(feed ->
                                session.inputOf(feed).flatMap(Input::performer).equals(Optional.of(performer.id())));
    }
}
