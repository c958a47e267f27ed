package vividlantern.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;

/** Who gave work a name sees how far it is, and cancels it. */
public class WorkControllerTest {

    @Test
    public void howFarItIsIsSeenWhileItGoesOnAndNoLonger() throws IOException {
        WorkController works = new WorkController();
        String done = works.run("mine", progress -> {
            progress.at(0.25);
            assertThat(works.reached("mine").share()).contains(0.25);
            assertThat(works.reached("another").share()).isEmpty();
            return "done";
        });
        assertThat(done).isEqualTo("done");
        assertThat(works.reached("mine").share()).isEmpty();
    }

    @Test
    public void whatIsCancelledEndsAtItsNextStepAndIsForgotten() {
        WorkController works = new WorkController();
        assertThatThrownBy(() -> works.run("mine", progress -> {
                    works.cancel("another");
                    progress.at(0.5);
                    works.cancel("mine");
                    progress.at(0.75);
                    return "done";
                }))
                .isInstanceOf(Refused.class)
                .hasMessage("It was cancelled.");
        assertThat(works.reached("mine").share()).isEmpty();
        works.cancel("mine");
    }

    @Test
    public void aNameThatIsNoneIsRefused() {
        assertThatThrownBy(() -> new WorkController().run("no name!", progress -> "done"))
                .isInstanceOf(Refused.class);
    }
}
