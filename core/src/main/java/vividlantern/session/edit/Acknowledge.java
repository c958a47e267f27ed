package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Acknowledgement;
import vividlantern.session.Session;

/** Says that a finding of readiness is on purpose, and why. It holds until what the finding rests on changes. */
public record Acknowledge(String key, String reason) implements Edit {

    private static final int LONGEST_KEY = 200;

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (key.isBlank() || key.length() > LONGEST_KEY) {
            throw new Refused("A finding is named by a key of 1 to " + LONGEST_KEY + " characters.", "key");
        }
        Acknowledgement said = new Acknowledgement(key, Rules.text(reason, "An acknowledgement", "reason"));
        List<Acknowledgement> others = session.acknowledgements().stream()
                .filter(each -> !each.key().equals(key))
                .toList();
        return session.withAcknowledgements(
                Stream.concat(others.stream(), Stream.of(said)).toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "On purpose: " + reason;
    }
}
