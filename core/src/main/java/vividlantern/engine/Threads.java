package vividlantern.engine;

import java.util.concurrent.ThreadFactory;

/** Threads that work beside others, and that end with the process. */
public final class Threads {

    private Threads() {}

    public static ThreadFactory named(String name) {
        return named(name, Thread.NORM_PRIORITY);
    }

    public static ThreadFactory named(String name, int priority) {
        return task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            thread.setPriority(priority);
            return thread;
        };
    }
}
