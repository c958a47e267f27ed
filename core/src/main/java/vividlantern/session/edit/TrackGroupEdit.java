package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;

/** Changes of which tracks are grouped, and what they share. */
public sealed interface TrackGroupEdit extends Edit {

    TrackGroupId group();

    /** Groups tracks, two at least, so that they share what is linked; a group that is there becomes as given. */
    record GroupTracks(TrackGroupId group, String name, List<TrackId> tracks, List<TrackGroup.Link> links)
            implements TrackGroupEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(group.value(), "id");
            tracks.forEach(id -> Rules.known(session, id));
            TrackGroup made = new TrackGroup(group, Texts.name(name, "A group", "name"), tracks, links);
            if (made.tracks().size() < 2) {
                throw new Refused("A group has at least two tracks.", "tracks");
            }
            if (made.links().isEmpty()) {
                throw new Refused("Choose what the group shares.", "links");
            }
            return session.withGroups(Stream.concat(
                            session.groups().stream().filter(each -> !each.id().equals(group)), Stream.of(made))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Group " + name + ": " + tracks.size() + " tracks share "
                    + links.stream().map(TrackGroup.Link::toString).collect(Collectors.joining(", "));
        }
    }

    /** Lets the tracks of a group be on their own again; they stay as they are. */
    record UngroupTracks(TrackGroupId group) implements TrackGroupEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, group);
            return session.withGroups(session.groups().stream()
                    .filter(each -> !each.id().equals(group))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Group " + Rules.known(session, group).name() + ": removed, the tracks stay";
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(TrackGroup group, Session session, Rig rig) {
        Ids.require(group.id().value(), "groups");
        Texts.name(group.name(), "A group", "groups");
        group.tracks().forEach(id -> Rules.known(session, id));
        if (group.tracks().size() < 2 || group.links().isEmpty()) {
            throw new Refused("Group " + group.name() + " has two tracks at least, and shares something.", "groups");
        }
    }
}
