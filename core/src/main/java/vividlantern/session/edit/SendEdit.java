package vividlantern.session.edit;

import java.util.List;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Changes of what a cue hears of tracks. */
public sealed interface SendEdit extends Edit {

    CueId cue();

    /** Adds tracks to a cue, each off until it is raised; those already in it stay as they are. */
    record AddSends(CueId cue, List<TrackId> tracks) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            tracks.forEach(id -> Rules.known(session, id));
            return session.change(cue, each -> {
                Cue grown = each;
                for (TrackId track : tracks) {
                    grown = grown.withSend(track, send -> send);
                }
                return grown;
            });
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": " + tracks.size() + (tracks.size() == 1 ? " track" : " tracks")
                    + " added, off";
        }
    }

    /** Takes a track out of a cue. */
    record RemoveSend(CueId cue, TrackId track) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            return session.change(cue, each -> each.withoutSend(track));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": out of " + Rules.name(session, cue);
        }
    }

    /** Sets how much of a track a cue hears. A send that did not exist begins at this level. */
    record SetSendLevel(CueId cue, TrackId track, Decibels level) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            Decibels set = Rules.fader(level, "A send");
            return session.change(cue, each -> each.withSend(track, send -> send.at(set)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": send to " + Rules.name(session, cue) + " " + level;
        }
    }

    /** Places a track in a cue, whatever its place on the speakers. */
    record SetSendPan(CueId cue, TrackId track, Pan pan) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            return session.change(
                    cue, each -> each.withSend(track, send -> send.panned(pan).panAsMain(false)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + "pan in " + Rules.name(session, cue) + " " + pan;
        }
    }

    /** Lets a send follow the track's own pan, or gives it back its own. */
    record SetSendPanAsMain(CueId cue, TrackId track, boolean asMain) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            return session.change(cue, each -> each.withSend(track, send -> send.panAsMain(asMain)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + "pan in " + Rules.name(session, cue)
                    + (asMain ? " as main" : " of its own");
        }
    }

    /** Silences a track in one cue, or lets it back. */
    record MuteSend(CueId cue, TrackId track, boolean muted) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            return session.change(cue, each -> each.withSend(track, send -> send.muted(muted)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + (muted ? "muted in " : "back in ") + Rules.name(session, cue);
        }
    }

    /** Says where a send leaves its track. */
    record SetSendTap(CueId cue, TrackId track, Tap tap) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            return session.change(cue, each -> each.withSend(track, send -> send.from(tap)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + "send to " + Rules.name(session, cue) + " taken " + tap;
        }
    }

    /**
     * Sets how much of a track a cue's comfort reverb gets, relative to its send: at 0 dB as much as of the track itself. It
     * sounds while the cue's comfort reverb is on.
     */
    record SetSendComfort(CueId cue, TrackId track, Decibels level) implements SendEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Rules.known(session, track);
            Decibels set = Rules.fader(level, "A send to the comfort reverb");
            return session.change(cue, each -> each.withSend(track, send -> send.comforted(set)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": comfort reverb in " + Rules.name(session, cue) + " " + level;
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Send send, Session session, Rig rig) {
        Rules.known(session, send.trackId());
        Rules.fader(send.level(), "A send");
        Rules.fader(send.comfort(), "A send to the comfort reverb");
    }
}
