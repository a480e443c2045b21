package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.UnaryOperator;
import orbispace.core.Elsewhere;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

class StageCacheTest {
    private static Audio kilobyte() {
        return Audio.of(48000, new float[256]);
    }

    @Test
    void theLongestUnusedGoesFirst() {
        StageCache cache = new StageCache(3 * 1024);
        for (String key : new String[] {"a", "b", "c"}) {
            cache.keep(key, kilobyte());
        }
        assertThat(cache.find("a")).isPresent();
        cache.keep("d", kilobyte());
        assertThat(cache.find("b")).isEmpty();
        assertThat(cache.find("a")).isPresent();
        assertThat(cache.find("d")).isPresent();
    }

    @Test
    void keepingTheSameAgainTakesNoMoreRoom() {
        StageCache cache = new StageCache(2 * 1024);
        for (int i = 0; i < 100; i++) {
            cache.keep("a", kilobyte());
        }
        cache.keep("b", kilobyte());
        assertThat(cache.find("a")).isPresent();
        assertThat(cache.find("b")).isPresent();
    }

    @Test
    void whatHasNoRoomIsLaidAsideAndTheOldestOfAllGoes() {
        StageCache cache = new StageCache(1024, 3 * 1024, Elsewhere::stored);
        Audio first = kilobyte();
        assertThat(cache.keep("a", first)).isSameAs(first);
        Audio laid = cache.keep("b", kilobyte());
        assertThat(laid.bytes()).isZero();
        assertThat(cache.find("b")).containsSame(laid);
        cache.keep("c", kilobyte());
        assertThat(cache.find("a")).containsSame(first);
        cache.keep("d", kilobyte());
        assertThat(cache.find("b")).isEmpty();
        assertThat(cache.find("a")).isPresent();
        assertThat(cache.find("d")).isPresent();
    }

    @Test
    void whatCannotBeLaidAsideTakesThePlaceOfWhatIsHeld() {
        StageCache cache = new StageCache(1024, 8 * 1024, UnaryOperator.identity());
        cache.keep("a", kilobyte());
        cache.keep("b", kilobyte());
        assertThat(cache.find("a")).isEmpty();
        assertThat(cache.find("b")).isPresent();
    }

    @Test
    void whatIsLargerThanTheCacheStandsAlone() {
        StageCache cache = new StageCache(1024);
        cache.keep("a", kilobyte());
        Audio large = Audio.of(48000, new float[4096]);
        cache.keep("large", large);
        assertThat(cache.find("a")).isEmpty();
        assertThat(cache.find("large")).containsSame(large);
    }
}
