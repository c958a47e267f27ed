package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Sets the free words beside an input. */
public record SetInputNotes(InputId input, String notes) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        String words = Rules.optionalText(notes, "notes");
        return session.change(input, each -> each.noted(words));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": notes";
    }
}
