package vividlantern.server.api;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Ids;
import vividlantern.basics.Progress;

/** Tasks: what takes a while and was given a name by whoever asked for it, so that they can see how far it is, and cancel it. */
@RestController
@RequestMapping("/api/tasks/{task}")
class TasksController {

    private final Map<String, Progress> running = new ConcurrentHashMap<>();

    /** @param share how much is done, from 0 to 1; none if nothing of that name is going on */
    record Reached(Optional<Double> share) {}

    /** Something that takes a while. */
    @FunctionalInterface
    interface Job<T> {
        T done(Progress progress) throws IOException;
    }

    /**
     * Does it under a name.
     *
     * @param task "" where nobody wants to see how far it is
     */
    <T> T run(String task, Job<T> job) throws IOException {
        Progress progress = new Progress();
        if (task.isEmpty()) {
            return job.done(progress);
        }
        Ids.require(task, "task");
        running.put(task, progress);
        try {
            return job.done(progress);
        } finally {
            running.remove(task, progress);
        }
    }

    @GetMapping
    Reached reached(@PathVariable String task) {
        return new Reached(Optional.ofNullable(running.get(task)).map(Progress::share));
    }

    /** Cancels it: whoever asked for it is told so. What has ended stays as it is. */
    @DeleteMapping
    void cancel(@PathVariable String task) {
        Optional.ofNullable(running.get(task)).ifPresent(Progress::cancel);
    }
}
