package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/** Adds somebody who plays and listens, at the end of the list. */
public record AddPerformer(PerformerId performer, String name, String place) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(performer.value(), session.find(performer).isPresent());
        String named = Rules.text(name, "A performer", "name");
        double position = session.performers().stream()
                        .mapToDouble(Performer::position)
                        .max()
                        .orElse(0)
                + 1;
        return session.plus(new Performer(
                performer, position, named, Performer.badgeFor(named), Rules.optionalText(place, "place")));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Performer: " + name + " added";
    }
}
