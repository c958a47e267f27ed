package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.edit.TrackEdit.RenameTrack;

/** Two tracks have one name: their recordings cannot be told apart. */
public final class NamesRepeat implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Map<String, Track> first = new HashMap<>();
        Set<String> names = new HashSet<>();
        session.tracks().forEach(track -> names.add(plain(track.name())));
        List<Finding> found = new ArrayList<>();
        for (Track track : session.tracks()) {
            Track other = first.putIfAbsent(plain(track.name()), track);
            if (other != null) {
                found.add(finding(other, track, freeName(track.name(), names)));
            }
        }
        return found;
    }

    private static String freeName(String name, Set<String> names) {
        int number = 2;
        while (!names.add(plain(name + " " + number))) {
            number++;
        }
        return name + " " + number;
    }

    private static String plain(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    private static Finding finding(Track other, Track track, String free) {
        return Finding.fixable(
                Keys.of("names-repeat", other.id(), track.id(), plain(track.name())),
                "Two tracks are called " + track.name() + ".",
                "Their recordings cannot be told apart by name.",
                Keys.about(other, track),
                "Call the later one " + free,
                List.of(new RenameTrack(track.id(), free)));
    }
}
