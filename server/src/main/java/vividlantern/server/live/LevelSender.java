package vividlantern.server.live;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.ears.WayToEars;
import vividlantern.engine.CueLoudness;
import vividlantern.engine.Stay;
import vividlantern.format.Documents;
import vividlantern.mix.Lights;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.ShownLevels;
import vividlantern.rig.Rig;
import vividlantern.server.desk.NotFound;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;

/** Shows pages how loud things are: 25 times a second, as far as somebody looks. */
@Component
class LevelSender {

    private static final long EVERY_MILLIS = 40;

    private final LiveRig rig;
    private final LivePages pages;
    private Beat beat;
    private final ShownLevels needles = new ShownLevels();
    private MixState metered;
    private MixPlan shown;
    private final CueLoudness loudness = new CueLoudness();
    private List<CueId> loud = List.of();
    private Lights lights;
    private int layout;
    private volatile boolean clearClips;
    private List<Ear> ears = List.of();
    private List<CueId> earsFor = List.of();
    private Session eared;
    private Rig earedAt;

    /**
     * An ear whose level is shown, in dB SPL.
     *
     * @param place of its cue among those whose loudness is known
     */
    private record Ear(CueId cue, int place, Ears ears, WayToEars way) {

        private String key() {
            return "ear/" + cue + "/" + way.performer();
        }

        private float spl(float[] lufs) {
            return way.spl(lufs[2 * place], ears).map(Double::floatValue).orElse(Float.NEGATIVE_INFINITY);
        }
    }

    LevelSender(LiveRig rig, LivePages pages) {
        this.rig = rig;
        this.pages = pages;
    }

    @PostConstruct
    void begin() {
        beat = new Beat("levels", EVERY_MILLIS, this::send);
    }

    /** Forgets the clips that were counted, and how high inputs came in. */
    void clearClips() {
        clearClips = true;
    }

    private void send() {
        List<LivePage> looking = pages.of(rig::sounds);
        if (looking.isEmpty()) {
            return;
        }
        SessionId id = looking.get(0).session();
        try {
            Stay stay = rig.at(id);
            MixState state = stay.state();
            MixPlan plan = state.plan();
            if (state != metered || plan != shown) {
                metered = state;
                shown = plan;
                lights = lights == null
                        ? new Lights(stay.session(), stay.rig(), stay.live(), state)
                        : lights.then(stay.session(), stay.rig(), stay.live(), state);
                layout += needles.follow(lights, state.meters()) ? 1 : 0;
            }
            if (clearClips) {
                clearClips = false;
                needles.clearClips();
                stay.played().forget();
            }
            loudness.read(stay.tape(), stay.session().sampleRate(), stay.cueOutputs());
            if (!loudness.cues().equals(loud)) {
                loud = loudness.cues();
                layout++;
            }
            List<Ear> heard = ears(stay.session(), stay.rig());
            if (!heard.equals(ears)) {
                ears = heard;
                layout++;
            }
            float[] levels = needles.take();
            float[] values = Arrays.copyOf(levels, levels.length + 2 * loud.size() + 2 * ears.size());
            float[] lufs = loudness.values();
            System.arraycopy(lufs, 0, values, levels.length, 2 * loud.size());
            for (int at = 0; at < ears.size(); at++) {
                float spl = ears.get(at).spl(lufs);
                values[levels.length + 2 * loud.size() + 2 * at] = spl;
                values[levels.length + 2 * loud.size() + 2 * at + 1] = spl;
            }
            if (stay.live().playing()) {
                stay.played().take(stay.session(), lights, needles);
            }
            for (LivePage page : looking) {
                if (page.learns(layout)) {
                    page.text(Documents.write(Map.of("type", "meters", "layout", layout, "keys", keys())));
                }
                page.levels(
                        LiveFrames.meters(layout, stay.session().sampleRate(), needles.frame(), stay.place(), values));
            }
        } catch (Refused | NotFound takenAwayMeanwhile) {
            metered = null;
        }
    }

    private List<String> keys() {
        return Stream.of(
                        needles.keys().stream(),
                        loud.stream().map(cue -> "loudness/" + cue),
                        ears.stream().map(Ear::key))
                .flatMap(each -> each)
                .toList();
    }

    /** Those whose level at the ear is known, for each of the cues whose loudness is. */
    private List<Ear> ears(Session session, Rig rig) {
        if (session == eared && rig == earedAt && earsFor.equals(loud)) {
            return ears;
        }
        eared = session;
        earedAt = rig;
        earsFor = loud;
        List<Ear> found = new ArrayList<>();
        for (int at = 0; at < loud.size(); at++) {
            int place = at;
            CueId cue = loud.get(at);
            session.find(cue)
                    .ifPresent(heard -> WayToEars.of(heard, session, rig).stream()
                            .filter(way -> way.unknown().isEmpty())
                            .forEach(way -> found.add(new Ear(cue, place, heard.ears(), way))));
        }
        return found;
    }

    @PreDestroy
    void close() {
        beat.close();
    }
}
