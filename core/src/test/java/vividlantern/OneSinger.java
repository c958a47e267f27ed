package vividlantern;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.Device;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.Shelf;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Anna sings into an interface of eight inputs and hears herself at -6 dB through the engine. */
public final class OneSinger {

    private OneSinger() {}

    public static final Rig BARE = Shelf.devices().stream()
            .filter(device -> device.device().equals("interface-8"))
            .findFirst()
            .orElseThrow()
            .applyTo(Rig.empty(new RigId("loft"), "Loft"));
    public static final StereoPair PAIR = new StereoPair(
            new PairId("phones"),
            "Phones",
            BARE.engineOutputs().get(2).id(),
            BARE.engineOutputs().get(3).id(),
            StereoPair.Feeds.HEADPHONES);
    public static final Rig RIG = RigEdit.applyAll(
            List.of(new PairPorts(PAIR.id(), PAIR.left(), PAIR.right(), "Phones", PAIR.feeds())), BARE);
    public static final Device BOX = RIG.leadingInterface().orElseThrow();
    public static final PerformerId ANNA = new PerformerId("anna");
    public static final InputId VOICE = new InputId("voice");
    public static final CueId CUE = new CueId("cue");
    public static final TrackId TRACK = new TrackId("voice");
    /** The ceiling guard looks 1 ms ahead, and 12 frames between samples. */
    public static final int GUARD = 60;

    public static Session session() {
        PortId first = RIG.engineInputs().get(0).id();
        return Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty())
                .plus(Performer.of(ANNA, 1, "Anna", "booth"))
                .plus(Input.of(VOICE, 1, "Lead voice")
                        .playedBy(Optional.of(ANNA))
                        .patchedTo(List.of(first)))
                .plus(Track.forInputs(TRACK, 3, "Voice", 1, List.of(Feed.from(VOICE, 0)))
                        .heard(Hear.ALWAYS))
                .plus(Cue.empty(CUE, 1, "Anna")
                        .outTo(Optional.of(PAIR.id()))
                        .heardBy(List.of(ANNA))
                        .withSend(TRACK, send -> send.at(Decibels.of(-6)).panned(Pan.of(0.25))));
    }

    public static Session direct(Session session, double db) {
        return session.withDirect(List.of(new DirectLevel(CUE, VOICE, Decibels.of(db), Pan.of(0.25))));
    }
}
