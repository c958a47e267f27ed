package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says where in the room the source stands. */
public record SetInputPlace(InputId input, String place) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.placed(Rules.optionalText(place, "place")));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + (place.isBlank() ? "no place" : place);
    }
}
