package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Moves a row of the input list in front of another, or to the end. The numbers that are used stay the same ones. */
public record MoveInput(InputId input, Optional<InputId> before) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Input moved = Rules.known(session, input);
        before.ifPresent(id -> Rules.known(session, id));
        if (before.equals(Optional.of(input))) {
            return session;
        }
        List<Integer> numbers = session.inputs().stream().map(Input::number).toList();
        List<Input> order = new ArrayList<>(session.inputs());
        order.remove(moved);
        int at = before.flatMap(session::find).map(order::indexOf).orElse(order.size());
        order.add(at, moved);
        List<Input> numbered = new ArrayList<>();
        for (int row = 0; row < order.size(); row++) {
            numbered.add(order.get(row).numbered(numbers.get(row)));
        }
        return session.withInputs(numbered);
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + " moved "
                + before.map(id -> "in front of " + Rules.name(session, id)).orElse("to the end");
    }
}
