package vividlantern.readiness.song;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.song.Backing;

/** A song that is laid out in parts, or in which something plays over and over, does not say where it ends. */
public final class SongWithoutEnd implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        boolean loops = session.backing().stream().anyMatch(Backing::loops);
        boolean laidOut = loops || !session.markers().isEmpty();
        if (!laidOut || session.tempoMap().lastBar().isPresent()) {
            return List.of();
        }
        return List.of(Finding.byHand(
                Keys.of("song-without-end"),
                "The song has no end.",
                loops
                        ? "What is looped does not stop, and the whole song cannot be written to a file."
                        : "The whole song cannot be written to a file.",
                List.of(PartKey.TEMPO_MAP),
                "Say its last bar under Click, The song."));
    }
}
