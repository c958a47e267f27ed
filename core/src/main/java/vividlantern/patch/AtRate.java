package vividlantern.patch;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** What a session loses at another sample rate, told before it is changed: digital links carry fewer channels at higher rates. */
public final class AtRate {

    /**
     * An input whose port is not there at the rate.
     *
     * @param port its house label
     * @param link the link that carries it no more, with its channels at the rate: "optical, 4 channels"
     * @param silentTracks the tracks that it feeds from there
     */
    public record Lost(InputId input, String source, String port, String link, List<String> silentTracks) {}

    private AtRate() {}

    /** The inputs that arrive at the session's rate and would not at another one. */
    public static List<Lost> lost(Session session, Rig rig, int sampleRate) {
        return session.inputs().stream()
                .flatMap(input -> input.ports().stream()
                        .filter(port ->
                                rig.engineInput(port, session.sampleRate()).isPresent())
                        .filter(port -> !rig.carries(port, sampleRate))
                        .map(port -> lost(session, rig, input, port, sampleRate)))
                .toList();
    }

    private static Lost lost(Session session, Rig rig, Input input, PortId port, int sampleRate) {
        return new Lost(
                input.id(),
                input.source(),
                rig.port(port).map(Port::houseLabel).orElse(port.value()),
                link(rig, port, sampleRate),
                session.tracks().stream()
                        .filter(track -> track.feeds().stream()
                                .anyMatch(feed -> session.portOf(feed).equals(Optional.of(port))))
                        .map(Track::name)
                        .toList());
    }

    /** The first link on a port's way that has not its channel at a rate, in words. */
    public static String link(Rig rig, PortId entry, int sampleRate) {
        return rig.wayFrom(entry).stream()
                .flatMap(id -> rig.port(id).flatMap(Port::link).stream())
                .filter(channel -> !channel.isThere(sampleRate))
                .findFirst()
                .map(channel -> channel.link().words() + ", " + channel.link().channels(sampleRate) + " channels")
                .orElseThrow();
    }
}
