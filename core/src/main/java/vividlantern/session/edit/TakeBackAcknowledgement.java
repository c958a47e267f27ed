package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** Takes back the word that a finding of readiness is on purpose. */
public record TakeBackAcknowledgement(String key) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (session.acknowledgements().stream().noneMatch(each -> each.key().equals(key))) {
            throw new Refused("Nobody has said of this finding that it is on purpose.", "key");
        }
        return session.withAcknowledgements(session.acknowledgements().stream()
                .filter(each -> !each.key().equals(key))
                .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "No longer on purpose: "
                + session.acknowledgements().stream()
                        .filter(each -> each.key().equals(key))
                        .findFirst()
                        .map(each -> each.reason())
                        .orElse(key);
    }
}
