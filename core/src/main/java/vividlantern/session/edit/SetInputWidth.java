package vividlantern.session.edit;

import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;

/**
 * Says how many channels a source has. A patched input that becomes wider takes the ports beside its first one, if
 * nothing is in them; one that becomes narrower lets go of its last ones, and of the tracks that they fed.
 */
public record SetInputWidth(InputId input, int width) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Input was = Rules.known(session, input);
        if (width < 1 || width > Input.MAX_WIDTH) {
            throw new Refused("A source has 1 to " + Input.MAX_WIDTH + " channels.", "width");
        }
        List<PortId> ports = width < was.ports().size()
                ? was.ports().subList(0, width)
                : was.isPatched() ? taking(session, rig, was) : was.ports();
        return session.change(input, each -> each.widened(width).patchedTo(ports))
                .withTracks(session.tracks().stream().map(this::withoutLost).toList());
    }

    private List<PortId> taking(Session session, Rig rig, Input was) {
        List<PortId> run = rig.runFrom(was.ports().get(0), width);
        boolean goesOn = run.size() == width && run.subList(0, was.width()).equals(was.ports());
        boolean open = run.stream()
                .skip(was.width())
                .allMatch(port -> rig.port(port).filter(rig::isOpen).isPresent());
        boolean free = session.inputs().stream()
                .filter(each -> !each.id().equals(input))
                .flatMap(each -> each.ports().stream())
                .map(rig::followTies)
                .noneMatch(run.stream().map(rig::followTies).toList()::contains);
        return goesOn && open && free ? run : was.ports();
    }

    private Track withoutLost(Track fed) {
        List<Feed> kept = fed.feeds().stream()
                .map(feed -> feed.comesFrom(input) && feed.channel() >= width ? Feed.NOTHING : feed)
                .toList();
        return fed.fedBy(kept);
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + Channels.width(width);
    }
}
