package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Adds a row to the input list. It begins with no port, no mic and no +48 V. */
public record AddInput(InputId input, int number, String source) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(input.value(), session.find(input).isPresent());
        Rules.freeNumber(session, number);
        return session.plus(Input.of(input, number, Rules.text(source, "An input", "source")));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Input " + number + ": " + source + " added";
    }
}
