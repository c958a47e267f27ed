package vividlantern.session;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import vividlantern.rig.Mic;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;

/** What the things of which parts speak are called; one that is not there goes by its id. */
public final class PartNames {

    private final Session session;
    private final Rig rig;

    public PartNames(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    public String track(TrackId id) {
        return session.find(id).map(Track::name).orElse(id.value());
    }

    public String tracks(List<TrackId> ids) {
        return ids.stream().map(this::track).collect(Collectors.joining(", "));
    }

    public String input(InputId id) {
        return session.find(id).map(Input::source).orElse(id.value());
    }

    public String cue(CueId id) {
        return session.find(id).map(Cue::name).orElse("");
    }

    public String performer(PerformerId id) {
        return session.find(id).map(Performer::name).orElse(id.value());
    }

    public String marker(MarkerId id) {
        return session.markers().stream()
                .filter(marker -> marker.id().equals(id))
                .findFirst()
                .map(Marker::name)
                .orElse(id.value());
    }

    public String pair(PairId id) {
        return rig.pair(id).map(StereoPair::houseLabel).orElse(id.value());
    }

    /** The outputs by which something of a track goes out: the pair, or one of its ports. */
    public String outputs(TrackWay.Out out) {
        return switch (out.side()) {
            case BOTH -> pair(out.pair());
            case LEFT -> rig.pair(out.pair()).map(pair -> port(pair.left())).orElse("the left of " + pair(out.pair()));
            case RIGHT ->
                rig.pair(out.pair()).map(pair -> port(pair.right())).orElse("the right of " + pair(out.pair()));
        };
    }

    public String port(PortId id) {
        return rig.label(id);
    }

    public String ports(List<PortId> ids) {
        return ids.isEmpty() ? "none" : rig.labels(ids);
    }

    public String mic(String written) {
        return rig.micIn(written).map(Mic::listed).orElse(written);
    }

    public String feed(Feed feed) {
        return feed.input()
                .flatMap(session::find)
                .map(input ->
                        input.source() + (input.width() == 1 ? "" : " " + Channels.word(input.width(), feed.channel())))
                .or(() -> feed.track().map(id -> track(id) + " channel " + (feed.channel() + 1)))
                .or(() -> feed.port().map(this::port))
                .orElse("nothing");
    }

    public static String onOff(boolean on) {
        return on ? "on" : "off";
    }

    public static String yesNo(boolean yes) {
        return yes ? "yes" : "no";
    }

    /** What is said, or that there is nothing. */
    public static String orNone(String said) {
        return said.isEmpty() ? "none" : said;
    }

    public static String word(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    public static String bars(int count) {
        return count + (count == 1 ? " bar" : " bars");
    }
}
