package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Takes an input from every listener, or lets it back; the recording goes on. */
public record CutInput(InputId input, boolean cut) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.cut(cut));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + (cut ? " cut" : " let back");
    }
}
