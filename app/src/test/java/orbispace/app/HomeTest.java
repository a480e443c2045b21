package orbispace.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import orbispace.app.song.DemoFiles;
import org.junit.jupiter.api.Test;

/** Tests leave the user's own preferences, cache and home alone. */
class HomeTest {
    @Test
    void everythingOfTheUsersLiesInTheBuildFolder() {
        Path home = Path.of(System.getProperty("user.home"));
        assertThat(home.endsWith(Path.of("target", "home"))).isTrue();
        assertThat(DemoFiles.keptFolder().startsWith(home)).isTrue();
        assertThat(System.getProperty("java.util.prefs.userRoot")).isEqualTo(home.toString());
    }
}
