package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.HALL;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.STRINGS;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.rig.PairId;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay.Out;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.TrackWay.To;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.WayEdit.AddReturn;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SendInto;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.session.edit.WayEdit.SetWay;
import vividlantern.units.Decibels;

/** An example of every edit of where tracks go. The harp goes to the sum of strings. */
final class WayExamples {

    private static final TrackId ALL = new TrackId("all");

    private WayExamples() {}

    static Object[][] edits() {
        return new Object[][] {
            row(
                    new SetWay(FLUTE_TRACK, To.SUM, Optional.of(STRINGS)),
                    "Flute: goes to Strings",
                    ways(FLUTE_TRACK),
                    List.of("goes to Strings")),
            row(
                    new SetWay(HARP_TRACK, To.NOWHERE, Optional.empty()),
                    "Harp: goes nowhere",
                    ways(HARP_TRACK),
                    List.of("goes nowhere")),
            row(
                    new SetWay(HARP_TRACK, To.MAIN, Optional.empty()),
                    "Harp: goes to main",
                    ways(HARP_TRACK),
                    List.of("goes to main")),
            row(
                    new AddSum(ALL, "All of it", List.of(FLUTE_TRACK, STRINGS)),
                    "All of it: sum of Flute, Strings added",
                    ways(HARP_TRACK, FLUTE_TRACK, STRINGS, ALL),
                    List.of("goes to Strings", "goes to All of it", "goes to All of it", "goes to main")),
            row(
                    new AddSum(ALL, "Plucked", List.of(HARP_TRACK)),
                    "Plucked: sum of Harp added",
                    session -> List.of(names(session), ways(HARP_TRACK, ALL).apply(session)),
                    List.of(
                            "Click, Click between, Strings, Plucked, Harp, Flute, Tree, Guide, Hall",
                            List.of("goes to Plucked", "goes to Strings"))),
            row(
                    new AddSum(ALL, "All of it", List.of(STRINGS, HARP_TRACK)),
                    "All of it: sum of Strings, Harp added",
                    ways(HARP_TRACK, STRINGS),
                    List.of("goes to Strings", "goes to All of it")),
            row(
                    new SendInto(FLUTE_TRACK, HALL, Tap.PRE_FADER, Decibels.of(-6)),
                    "Flute into Hall: \u22126.0 dB, pre-fader",
                    sends(FLUTE_TRACK),
                    List.of("hall PRE_FADER \u22126.0 dB")),
            row(
                    new SendInto(HARP_TRACK, HALL, Tap.POST_FADER, Decibels.OFF),
                    "Harp into Hall: off",
                    sends(HARP_TRACK),
                    List.of()),
            row(
                    new SendInto(STRINGS, HALL, Tap.POST_FADER, Decibels.of(-20)),
                    "Strings into Hall: \u221220.0 dB, post-fader",
                    session -> List.of(
                            sends(HARP_TRACK).apply(session), sends(STRINGS).apply(session)),
                    List.of(List.of("hall POST_FADER \u221212.0 dB"), List.of("hall POST_FADER \u221220.0 dB"))),
            row(
                    new SendOut(FLUTE_TRACK, new PairId("phones-2"), Side.LEFT, Optional.empty(), Optional.empty()),
                    "Flute out by House out-5: \u221220.0 dB, pre-fader",
                    session -> session.wayOf(FLUTE_TRACK).outs(),
                    List.of(new Out(new PairId("phones-2"), Side.LEFT, Tap.PRE_FADER, Decibels.of(-20)))),
            row(
                    new SendOut(
                            HARP_TRACK, new Out(new PairId("phones-3"), Side.BOTH, Tap.POST_FADER, Decibels.of(-3))),
                    "Harp out by phones-3: \u22123.0 dB, post-fader",
                    session -> session.wayOf(HARP_TRACK).traits(new PartNames(session, HarpAndFlute.RIG)),
                    Map.of(
                            "on the way to the speakers", "goes to Strings",
                            "into Hall", "\u221212.0 dB, post-fader",
                            "out by phones-3", "\u22123.0 dB, post-fader")),
            row(
                    new AddReturn("Echo", ALL, Optional.of(EffectType.ECHO)),
                    "Echo: return added, with echo",
                    session -> List.of(
                            names(session),
                            session.chainsOf(ALL).heard().words(),
                            session.chainsOf(ALL).heard().effects().get(0).number(EffectNumber.MIX)),
                    List.of(
                            "Click, Click between, Strings, Harp, Flute, Tree, Guide, Hall, Echo",
                            "echo quaver",
                            100.0)),
            row(
                    new AddReturn("Plain", ALL, Optional.empty()),
                    "Plain: return added",
                    session -> session.chainsOf(ALL).effects().count(),
                    0L),
            row(new RemoveTrack(HALL), "Hall: track removed", sends(HARP_TRACK), List.of()),
            row(new RemoveTrack(STRINGS), "Strings: track removed", ways(HARP_TRACK), List.of("goes to main")),
        };
    }

    private static Function<Session, Object> sends(TrackId track) {
        return session -> session.wayOf(track).sends().stream()
                .map(send -> send.into() + " " + send.tap().name() + " " + send.level())
                .toList();
    }

    private static String names(Session session) {
        return String.join(", ", session.tracks().stream().map(Track::name).toList());
    }

    private static Function<Session, Object> ways(TrackId... tracks) {
        return session -> {
            PartNames names = new PartNames(session, HarpAndFlute.RIG);
            return List.of(tracks).stream()
                    .map(track -> session.wayOf(track).words(names))
                    .toList();
        };
    }
}
