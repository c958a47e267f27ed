package vividlantern.sim;

import java.util.List;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/** The five players with their instruments, in the order of {@link Saltworks#bodies}. */
final class Ensemble {

    private final List<Player> players;

    Ensemble(NoteBank bank, int sampleRate, TempoMap map, int maxFrames) {
        Tune tune = new Tune();
        TempoCurve curve = map.curve();
        long loop = loopFrames(curve, sampleRate);
        players = List.of(
                player(
                        "accordion",
                        loop,
                        maxFrames,
                        body(bank, sampleRate, curve, Timbre.REED, tune.accordionTreble()),
                        body(bank, sampleRate, curve, Timbre.REED, tune.accordionBass())),
                player("fiddle", loop, maxFrames, body(bank, sampleRate, curve, Timbre.BOWED, tune.fiddle())),
                player("bass", loop, maxFrames, body(bank, sampleRate, curve, Timbre.PLUCKED_DEEP, tune.bass())),
                player(
                        "cajon",
                        loop,
                        maxFrames,
                        body(bank, sampleRate, curve, Timbre.STRUCK_HIGH, tune.cajonHigh()),
                        body(bank, sampleRate, curve, Timbre.STRUCK_LOW, tune.cajonLow()),
                        body(bank, sampleRate, curve, Timbre.SHAKEN, tune.shaker())),
                player(
                        "voice",
                        loop,
                        maxFrames,
                        body(bank, sampleRate, curve, Timbre.SUNG, tune.voice()),
                        body(bank, sampleRate, curve, Timbre.PLUCKED_BRIGHT, tune.bouzouki())));
    }

    List<Player> players() {
        return players;
    }

    void follow(TempoMap map, int sampleRate) {
        TempoCurve curve = map.curve();
        players.forEach(player -> player.follow(curve, loopFrames(curve, sampleRate)));
    }

    private static long loopFrames(TempoCurve curve, int sampleRate) {
        return curve.frame(Tune.END, sampleRate);
    }

    private static Body body(NoteBank bank, int sampleRate, TempoCurve curve, Timbre timbre, List<Note> notes) {
        return new Body(bank, sampleRate, List.of(new Body.Line(timbre, notes)), curve);
    }

    private static Player player(String id, long loop, int maxFrames, Body... bodies) {
        return new Player(id, List.of(bodies), loop, maxFrames);
    }
}
