package vividlantern.server.live;

import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.engine.Stay;
import vividlantern.mix.Talk;
import vividlantern.session.SessionId;

/** Carries out what is told to the running engine: a handler for each subject. */
@Component
public class Commands {

    private final LiveRig rig;
    private final LivePages pages;
    private final LevelSender levels;
    private final StandIns standIns;
    private final LiveHub hub;

    Commands(LiveRig rig, LivePages pages, LevelSender levels, StandIns standIns, LiveHub hub) {
        this.rig = rig;
        this.pages = pages;
        this.levels = levels;
        this.standIns = standIns;
        this.hub = hub;
    }

    /** Carries out a command and tells everybody what is happening since. */
    public void carryOut(SessionId session, Command command) {
        if (command instanceof Command.OfTheRig wish) {
            carryOut(session, wish);
        } else if (command instanceof Command.OfTheTransport wish) {
            carryOut(rig.at(session), wish);
        } else if (command instanceof Command.OfHeadphones wish) {
            carryOut(rig.at(session), wish);
        } else if (command instanceof Command.OfTheControlRoom wish) {
            carryOut(rig.at(session), wish);
        } else if (command instanceof Command.OfASignal wish) {
            carryOut(session, wish);
        } else if (command instanceof Command.OfTalk wish) {
            carryOut(session, wish);
        } else if (command instanceof Command.OfAPage wish) {
            carryOut(session, wish);
        } else if (command instanceof Command.OfStandIns wish) {
            rig.at(session);
            carryOut(wish);
        } else {
            throw unhandled(command);
        }
        hub.tellWhatHappens();
    }

    private void carryOut(SessionId session, Command.OfTheRig wish) {
        if (wish instanceof Command.TakeRig) {
            rig.take(session);
        } else if (wish instanceof Command.ReleaseRig) {
            rig.release(session);
        } else {
            throw unhandled(wish);
        }
    }

    private static void carryOut(Stay stay, Command.OfTheTransport wish) {
        if (wish instanceof Command.Play play) {
            stay.play(play.bar());
        } else if (wish instanceof Command.Stop) {
            stay.stop();
        } else if (wish instanceof Command.Locate locate) {
            stay.locate(locate.bar());
        } else {
            throw unhandled(wish);
        }
    }

    private static void carryOut(Stay stay, Command.OfHeadphones wish) {
        if (wish instanceof Command.CutHeadphones cut) {
            cut.cue().ifPresentOrElse(cue -> stay.cutHeadphones(cue, cut.cut()), () -> stay.cutHeadphones(cut.cut()));
        } else {
            throw unhandled(wish);
        }
    }

    private static void carryOut(Stay stay, Command.OfTheControlRoom wish) {
        if (wish instanceof Command.SwitchControlRoom other) {
            stay.controlRoom(other::appliedTo);
        } else {
            throw unhandled(wish);
        }
    }

    private void carryOut(SessionId session, Command.OfASignal wish) {
        Stay stay = rig.at(session);
        if (wish instanceof Command.PlaySignal play) {
            Optional<LivePage> page = play.connection().map(connection -> pages.page(connection, session));
            stay.controlRoom(now -> now.playing(Optional.of(play.signal())));
            pages.signals(page);
        } else if (wish instanceof Command.StopSignal) {
            stay.controlRoom(now -> now.playing(Optional.empty()));
        } else {
            throw unhandled(wish);
        }
    }

    private void carryOut(SessionId session, Command.OfTalk wish) {
        if (!(wish instanceof Command.TalkTo talk)) {
            throw unhandled(wish);
        }
        if (talk.on()) {
            LivePage page = pages.page(talk.connection().orElse(""), session);
            if (!talk.again()) {
                rig.at(session).talk(talk.to().isEmpty() ? Talk.TO_ALL : Talk.to(Set.copyOf(talk.to())));
                pages.talks(page);
            } else if (pages.isTalker(page.id())) {
                pages.talks(page);
            }
        } else {
            rig.at(session).talk(Talk.TO_NOBODY);
        }
    }

    private void carryOut(SessionId session, Command.OfAPage wish) {
        if (wish instanceof Command.Listen listen) {
            LivePage page = pages.page(listen.connection(), session);
            if (!listen.to().isEmpty() && rig.at(session).outputs(listen.to()).isEmpty()) {
                throw new Refused("There is nothing to listen to: it has no output pair.", "to");
            }
            page.listen(listen.to());
        } else if (wish instanceof Command.ClearClips) {
            levels.clearClips();
        } else {
            throw unhandled(wish);
        }
    }

    private void carryOut(Command.OfStandIns wish) {
        if (wish instanceof Command.Players players) {
            standIns.letPlay(players.who());
        } else if (wish instanceof Command.Turn turn) {
            standIns.turn(turn.port(), turn.gainDb(), turn.phantom());
        } else if (wish instanceof Command.TurnOutlet turn) {
            standIns.turn(new StandIns.OutletKnob(turn.port(), turn.turnedDownDb(), turn.on()));
        } else if (wish instanceof Command.InterfaceFate interfaceFate) {
            standIns.befall(interfaceFate.fate());
        } else if (wish instanceof Command.PlugCable cable) {
            standIns.plug(cable.output(), cable.input());
        } else if (wish instanceof Command.PullCables) {
            standIns.pullCables();
        } else if (wish instanceof Command.StrainComputer strain) {
            standIns.strain(strain.load(), strain.jitterMs());
        } else {
            throw unhandled(wish);
        }
    }

    private static Refused unhandled(Command command) {
        return new Refused(
                "Nobody carries out the command " + command.getClass().getSimpleName() + ".", "kind");
    }
}
