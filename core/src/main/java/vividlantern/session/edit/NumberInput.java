package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Gives an input another number, which is its place in the list. */
public record NumberInput(InputId input, int number) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Input was = Rules.known(session, input);
        if (was.number() != number) {
            Rules.freeNumber(session, number);
        }
        return session.change(input, each -> each.numbered(number));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": number " + number;
    }
}
