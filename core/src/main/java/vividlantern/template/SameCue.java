package vividlantern.template;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/** Which cue of a session is the same as one of another: that of the same performers, else the one of the same name. */
final class SameCue {

    private SameCue() {}

    static Optional<CueId> in(Session session, String name, List<String> listeners) {
        Set<String> wanted = ignoringCase(listeners);
        Optional<Cue> ofSame = wanted.isEmpty()
                ? Optional.empty()
                : session.cues().stream()
                        .filter(cue -> ignoringCase(listeners(session, cue)).containsAll(wanted))
                        .findFirst();
        return ofSame.or(() -> session.cues().stream()
                        .filter(cue -> cue.name().equalsIgnoreCase(name))
                        .findFirst())
                .map(Cue::id);
    }

    /** The names of those who listen to a cue. */
    static List<String> listeners(Session session, Cue cue) {
        return cue.listeners().stream()
                .flatMap(id -> session.find(id).stream())
                .map(Performer::name)
                .toList();
    }

    /** Who has the same name in another session. */
    static Optional<PerformerId> performer(Session session, String name) {
        return session.performers().stream()
                .filter(each -> each.name().equalsIgnoreCase(name))
                .findFirst()
                .map(Performer::id);
    }

    private static Set<String> ignoringCase(List<String> names) {
        return names.stream().collect(Collectors.toCollection(() -> new TreeSet<>(String.CASE_INSENSITIVE_ORDER)));
    }
}
