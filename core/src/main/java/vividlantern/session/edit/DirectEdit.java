package vividlantern.session.edit;

import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.DirectLevel;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Changes of what those who hear a cue get direct, past the engine. */
public sealed interface DirectEdit extends Edit {

    CueId cue();

    InputId input();

    private static Session with(Session session, DirectLevel changed) {
        Stream<DirectLevel> others =
                session.direct().stream().filter(each -> !each.isOf(changed.cue(), changed.input()));
        Stream<DirectLevel> own = changed.level().isOff() ? Stream.empty() : Stream.of(changed);
        return session.withDirect(Stream.concat(others, own).toList());
    }

    /** Sets how loud an input is heard direct in a cue's headphones; off takes the way away. A new one stands in the centre. */
    record SetDirectLevel(CueId cue, InputId input, Decibels level) implements DirectEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Input source = Rules.known(session, input);
            Decibels set = Rules.fader(level, "A direct level");
            if (!set.isOff()) {
                Rules.directWay(rig, source);
            }
            Pan pan = session.direct(cue, input).map(DirectLevel::pan).orElse(Pan.CENTRE);
            return with(session, new DirectLevel(cue, input, set, pan));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": direct to " + Rules.name(session, cue) + " " + level;
        }
    }

    /** Places an input that is heard direct. */
    record SetDirectPan(CueId cue, InputId input, Pan pan) implements DirectEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, input);
            DirectLevel was = session.direct(cue, input)
                    .orElseThrow(() -> new Refused(
                            Rules.name(session, input) + " is not heard direct in " + Rules.name(session, cue)
                                    + ". Raise it there first.",
                            "input"));
            return with(session, new DirectLevel(cue, input, was.level(), pan));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, input) + ": direct in " + Rules.name(session, cue) + ", pan " + pan;
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(DirectLevel direct, Session session, Rig rig) {
        Rules.known(session, direct.cue());
        Rules.known(session, direct.input());
        Rules.fader(direct.level(), "A direct level");
    }
}
