package vividlantern.server.api;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.mix.effects.ChainCurve;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.chain.EffectRange;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.chain.StartingPoint;

/** What chains of tracks can hold, what they can begin from, and what an effect does now. */
@RestController
class ChainsController {

    /**
     * An effect that a chain can hold.
     *
     * @param about what it does, a sentence
     * @param ranges the numbers by which it is set, in their order
     */
    record OfferedEffect(
            EffectType type, String word, String about, EffectType.Picture picture, List<EffectRange> ranges) {}

    private final Desk desk;

    ChainsController(Desk desk) {
        this.desk = desk;
    }

    @GetMapping("/api/effects")
    List<OfferedEffect> effects() {
        return Stream.of(EffectType.values())
                .map(type -> new OfferedEffect(type, type.word(), type.about(), type.picture(), type.ranges()))
                .toList();
    }

    @GetMapping("/api/starting-points")
    List<StartingPoint> startingPoints() {
        return StartingPoint.SHIPPED;
    }

    /** What an effect does as it is set: of each frequency from 20 Hz to 20 kHz, or of each level. */
    @GetMapping("/api/sessions/{session}/tracks/{track}/effects/{effect}/curve")
    List<ChainCurve.ChainPoint> curve(
            @PathVariable String session, @PathVariable String track, @PathVariable String effect) {
        Session open = desk.session(new SessionId(session));
        Inserted found = open.chainsOf(new TrackId(track))
                .effects()
                .filter(each -> each.id().value().equals(effect))
                .findFirst()
                .orElseThrow(() -> new NotFound("There is no effect '" + effect + "' on that track."));
        return ChainCurve.of(found, open.sampleRate());
    }
}
