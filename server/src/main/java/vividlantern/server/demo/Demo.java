package vividlantern.server.demo;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.preamp.Turned;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.folder.Options;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.server.store.Unreadable;
import vividlantern.session.SessionId;
import vividlantern.session.song.Media;
import vividlantern.sim.LowWater;
import vividlantern.sim.Saltworks;
import vividlantern.sim.Sketch;
import vividlantern.sound.WavWriter;

/** Fills an empty data folder before anybody is answered, and gives the first session the rig after. */
@Component
class Demo implements SmartInitializingSingleton {

    private static final int MOST_TRIED = 50;
    private static final int RATE = 48_000;

    private final Store store;
    private final RigStore rigs;
    private final Desk desk;
    private final LiveRig live;
    private final TemplateDesk templates;
    private final MediaDesk media;
    private final Options options;

    Demo(
            Store store,
            RigStore rigs,
            Desk desk,
            LiveRig live,
            TemplateDesk templates,
            MediaDesk media,
            Options options) {
        this.store = store;
        this.rigs = rigs;
        this.desk = desk;
        this.live = live;
        this.templates = templates;
        this.media = media;
        this.options = options;
    }

    @Override
    public void afterSingletonsInstantiated() {
        templates.putInShipped();
        if (rigs.rigs().isEmpty()) {
            Rig rig = Saltworks.rig();
            rigs.add(rig);
            if (!options.empty()) {
                store.add(LowWater.withGuide(LowWater.session(new SessionId("low-water"), rig), sketch()));
                Saltworks.fronts()
                        .forEach((port, front) ->
                                rigs.note(rig.id(), new Turned(new PortId(port), front.gainDb(), front.phantom())));
            }
        }
    }

    /** The band's sketch of the song, as a file that is taken in. */
    private Media sketch() {
        float[][] samples = {Sketch.samples(RATE)};
        int frames = samples[0].length;
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try (WavWriter wav = new WavWriter(file, WavWriter.SampleFormat.INT_16, 1, RATE, frames, 0)) {
            wav.write(samples, 0, frames);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return media.keep(Sketch.NAME, new ByteArrayInputStream(file.toByteArray()), RATE);
    }

    @EventListener(ApplicationReadyEvent.class)
    void takeTheRig() {
        store.sessions(0, MOST_TRIED).stream()
                .map(each -> new SessionId(each.id()))
                .filter(this::canBeRead)
                .findFirst()
                .ifPresent(live::takeSoon);
    }

    private boolean canBeRead(SessionId id) {
        try {
            desk.rigOf(id);
            return true;
        } catch (Unreadable known) {
            return false;
        }
    }
}
