package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Acknowledgement;
import vividlantern.session.Session;

/** What somebody says of a finding of readiness. */
public sealed interface AcknowledgementEdit extends Edit {

    /** Says that a finding of readiness is on purpose, and why. It holds until what the finding rests on changes. */
    record Acknowledge(String key, String reason) implements AcknowledgementEdit {

        private static final int LONGEST_KEY = 200;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (key.isBlank() || key.length() > LONGEST_KEY) {
                throw new Refused("A finding has a key of 1 to " + LONGEST_KEY + " characters.", "key");
            }
            Acknowledgement said =
                    new Acknowledgement(key, Texts.required(reason, "An acknowledgement needs a reason.", "reason"));
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

    /** Takes back the word that a finding of readiness is on purpose. */
    record TakeBackAcknowledgement(String key) implements AcknowledgementEdit {

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

    /** Refuses one that no edit would have let in. */
    static void check(Acknowledgement said, Session session, Rig rig) {
        new Acknowledge(said.key(), said.reason()).applyTo(session, rig);
    }
}
