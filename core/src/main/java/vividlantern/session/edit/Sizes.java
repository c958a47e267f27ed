package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.session.Session;

/** How much a session holds at most; of inputs as many as have a number. One that holds more already can still be changed, but does not grow. */
public final class Sizes {

    /** As many as there are numbers. */
    public static final int INPUTS = 999;

    static final int TRACKS = 512;
    static final int CUES = 64;
    static final int PERFORMERS = 256;
    public static final int MARKERS = 1000;
    static final int VIEWS = 100;
    static final int GROUPS = 200;
    static final int BRINGING = 500;
    static final int ACKNOWLEDGEMENTS = 2000;
    static final int DIRECT = 2000;

    private Sizes() {}

    /** Refuses what makes a session grow beyond what it holds at most. */
    public static void require(Session before, Session after) {
        require(before.tracks().size(), after.tracks().size(), TRACKS, "tracks");
        require(before.cues().size(), after.cues().size(), CUES, "cues");
        require(before.performers().size(), after.performers().size(), PERFORMERS, "performers");
        require(before.markers().size(), after.markers().size(), MARKERS, "markers");
        require(before.views().size(), after.views().size(), VIEWS, "views");
        require(before.groups().size(), after.groups().size(), GROUPS, "groups");
        require(before.bringing().size(), after.bringing().size(), BRINGING, "lines of what to bring");
        require(before.direct().size(), after.direct().size(), DIRECT, "direct levels");
        require(
                before.acknowledgements().size(),
                after.acknowledgements().size(),
                ACKNOWLEDGEMENTS,
                "acknowledged findings");
    }

    private static void require(int before, int after, int most, String what) {
        if (after > most && after > before) {
            throw new Refused("A session holds at most " + most + " " + what + "; these would be " + after + ".", "");
        }
    }
}
