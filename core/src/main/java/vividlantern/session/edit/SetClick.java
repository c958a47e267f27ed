package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.ClickPattern;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** Sets the voices of the click and its count-in, 0 to 8 bars. The voices that tracks carry must stay. */
public record SetClick(ClickPattern click) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (click.countInBars() < 0 || click.countInBars() > 8) {
            throw new Refused("A count-in has 0 to 8 bars.", "click");
        }
        for (ClickPattern.Voice voice : click.voices()) {
            if (!(voice.pitchHz() >= 100 && voice.pitchHz() <= 8000)
                    || voice.stepsPerBeat() < 1
                    || voice.stepsPerBeat() > 12) {
                throw new Refused("A click voice has a pitch of 100 to 8000 Hz and 1 to 12 steps a beat.", "click");
            }
        }
        for (Track track : session.tracks()) {
            if (track.voice().isPresent()
                    && click.voices().stream().noneMatch(voice -> track.voice().equals(Optional.of(voice.id())))) {
                throw new Refused(
                        "Track \"" + track.name() + "\" carries the click voice \""
                                + track.voice().get() + "\", which is missing.",
                        "click");
            }
        }
        return session.with(click);
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Click: changed";
    }
}
