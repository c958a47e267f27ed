package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.BringLine;
import vividlantern.session.BringLineId;
import vividlantern.session.Session;

/** Changes of the lines of one's own in the list of what to bring. */
public sealed interface BringEdit extends Edit {

    BringLineId line();

    /** Writes a line, at the end if it is new: what, and 1 to 999 of it. */
    record WriteBringLine(BringLineId line, String what, int count) implements BringEdit {

        public static final int MOST = 999;

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(line.value(), "id");
            if (count < 1 || count > MOST) {
                throw new Refused("Of a thing 1 to " + MOST + " are brought.", "count");
            }
            String written = Texts.required(what, "Say what to bring.", "what");
            double position = session.bringing().stream()
                    .filter(each -> each.id().equals(line))
                    .mapToDouble(BringLine::position)
                    .findFirst()
                    .orElseGet(() -> session.bringing().stream()
                                    .mapToDouble(BringLine::position)
                                    .max()
                                    .orElse(0)
                            + 1);
            return session.withBringing(
                    Stream.concat(others(session), Stream.of(new BringLine(line, position, written, count)))
                            .toList());
        }

        private Stream<BringLine> others(Session session) {
            return session.bringing().stream().filter(each -> !each.id().equals(line));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "To bring: " + count + " × " + what;
        }
    }

    /** Takes a line out of the list. */
    record RemoveBringLine(BringLineId line) implements BringEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            BringLine gone = Rules.known(session, line);
            List<BringLine> others = session.bringing().stream()
                    .filter(each -> !each.equals(gone))
                    .toList();
            return session.withBringing(others);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "To bring: no " + Rules.known(session, line).what();
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(BringLine line, Session session, Rig rig) {
        new WriteBringLine(line.id(), line.what(), line.count()).applyTo(session, rig);
        Rules.position(line.position(), "bringing");
    }
}
