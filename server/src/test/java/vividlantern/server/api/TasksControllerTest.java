package vividlantern.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;

/** Who gave a task a name sees how far it is, and cancels it. */
public class TasksControllerTest {

    @Test
    public void howFarItIsIsSeenWhileItGoesOnAndNoLonger() throws IOException {
        TasksController tasks = new TasksController();
        String done = tasks.run("mine", progress -> {
            progress.at(0.25);
            assertThat(tasks.reached("mine").share()).contains(0.25);
            assertThat(tasks.reached("another").share()).isEmpty();
            return "done";
        });
        assertThat(done).isEqualTo("done");
        assertThat(tasks.reached("mine").share()).isEmpty();
    }

    @Test
    public void whatIsCancelledEndsAtItsNextStepAndIsForgotten() {
        TasksController tasks = new TasksController();
        assertThatThrownBy(() -> tasks.run("mine", progress -> {
                    tasks.cancel("another");
                    progress.at(0.5);
                    tasks.cancel("mine");
                    progress.at(0.75);
                    return "done";
                }))
                .isInstanceOf(Refused.class)
                .hasMessage("It was cancelled.");
        assertThat(tasks.reached("mine").share()).isEmpty();
        tasks.cancel("mine");
    }

    @Test
    public void aNameThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new TasksController().run("no name!", progress -> "done"))
                .isInstanceOf(Refused.class);
    }
}
