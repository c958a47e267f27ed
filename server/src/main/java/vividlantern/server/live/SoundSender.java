package vividlantern.server.live;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.engine.Stay;
import vividlantern.server.desk.NotFound;

/** Sends pages that listen what the converters gave out: 50 times a second. */
@Component
class SoundSender {

    private static final long EVERY_MILLIS = 20;

    private final LiveRig rig;
    private final LivePages pages;
    private Beat beat;

    SoundSender(LiveRig rig, LivePages pages) {
        this.rig = rig;
        this.pages = pages;
    }

    @PostConstruct
    void begin() {
        beat = new Beat("sound", EVERY_MILLIS, this::send);
    }

    private void send() {
        for (LivePage page : pages.of(rig::isAtTheRig)) {
            if (page.listensTo().isEmpty()) {
                page.listensNoMore();
                continue;
            }
            try {
                Stay stay = rig.at(page.session());
                stay.outputs(page.listensTo())
                        .ifPresent(outputs ->
                                page.play(stay.tape(), outputs, stay.session().sampleRate()));
            } catch (Refused | NotFound takenAwayMeanwhile) {
                page.listensNoMore();
            }
        }
    }

    @PreDestroy
    void close() {
        beat.close();
    }
}
