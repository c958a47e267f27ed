package vividlantern.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a mic is by what people write of it. */
public class MicTest {

    @DataProvider
    public Object[][] words() {
        return new Object[][] {
            {"old ribbon, blue", Mic.Kind.RIBBON},
            {"Ribbons, a pair", Mic.Kind.RIBBON},
            {"active ribbon", null},
            {"LDC", Mic.Kind.LARGE_CONDENSER},
            {"large-diaphragm by the window", Mic.Kind.LARGE_CONDENSER},
            {"a pencil condenser", Mic.Kind.SMALL_CONDENSER},
            {"condenser", Mic.Kind.SMALL_CONDENSER},
            {"active DI", Mic.Kind.ACTIVE_DI},
            {"DI", Mic.Kind.PASSIVE_DI},
            {"Di Lorenzo's own", null},
            {"dynamic", Mic.Kind.DYNAMIC},
            {"thermodynamics", null},
            {"", null},
        };
    }

    @Test(dataProvider = "words")
    public void itsKindIsInItsWords(String text, Mic.Kind kind) {
        assertThat(Mic.Kind.saidIn(text)).isEqualTo(Optional.ofNullable(kind));
    }
}
