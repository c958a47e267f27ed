package vividlantern.server.api;

import java.io.IOException;
import java.util.function.Supplier;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Progress;
import vividlantern.engine.IndependenceProof;
import vividlantern.engine.ProcessingEffect;
import vividlantern.engine.Room;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.live.StandIns;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;

/** What is found of a cue by rendering it twice. */
@RestController
@RequestMapping("/api/sessions/{session}/mixes/{cue}")
class MeasuredMixesController {

    private final Desk desk;
    private final StandIns standIns;
    private final RenderingQueue queue;
    private final MediaDesk media;
    private final TasksController tasks;

    MeasuredMixesController(
            Desk desk, StandIns standIns, RenderingQueue queue, MediaDesk media, TasksController tasks) {
        this.desk = desk;
        this.standIns = standIns;
        this.queue = queue;
        this.media = media;
        this.tasks = tasks;
    }

    /**
     * Whether anything that the control room does reaches a cue.
     *
     * @param words what came out, in a sentence
     */
    record Proved(IndependenceProof proof, String words) {}

    /**
     * What a cue's filters and compressor do to it.
     *
     * @param words what came out, in a sentence
     */
    record Processed(ProcessingEffect effect, String words) {}

    /** Renders a cue as it is and with the main mix moved, and compares bit for bit. It takes about a second. */
    @GetMapping("/proof")
    Proved proof(@PathVariable String session, @PathVariable String cue, @RequestParam(defaultValue = "") String task)
            throws IOException {
        return measured(session, task, (open, rig, rooms, progress) -> {
            IndependenceProof proof = IndependenceProof.of(open, rig, new CueId(cue), rooms, progress);
            return new Proved(proof, proof.words(open));
        });
    }

    /** Renders a cue without its filters and its compressor, and with them. */
    @GetMapping("/processing")
    Processed processing(
            @PathVariable String session, @PathVariable String cue, @RequestParam(defaultValue = "") String task)
            throws IOException {
        return measured(session, task, (open, rig, rooms, progress) -> {
            ProcessingEffect effect = ProcessingEffect.of(open, rig, new CueId(cue), rooms, progress);
            return new Processed(effect, effect.words());
        });
    }

    @FunctionalInterface
    private interface Measuring<T> {
        T of(Session open, Rig rig, Supplier<Room> rooms, Progress progress) throws IOException;
    }

    private <T> T measured(String session, String task, Measuring<T> measuring) throws IOException {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        media.require(open.sounds(), open.sampleRate());
        return tasks.run(task, progress -> {
            RenderingQueue.Turn turn = queue.begin();
            try {
                return measuring.of(open, rig, () -> standIns.openFor(open, rig, StandIns.ALL), progress);
            } finally {
                turn.close();
            }
        });
    }
}
