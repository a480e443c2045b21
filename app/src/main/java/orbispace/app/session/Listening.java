package orbispace.app.session;

import java.util.function.Supplier;
import orbispace.core.design.Design;
import orbispace.core.time.Span;

/** Keeps what is heard in step with the design, the pair of before and after, and the loop. */
final class Listening {
    private final Transport transport;
    private final Measurements measured;
    private final Supplier<Design> now;
    private final Supplier<Design> before;
    private final Supplier<Span> span;

    Listening(
            Transport transport,
            Measurements measured,
            Supplier<Design> now,
            Supplier<Design> before,
            Supplier<Span> span) {
        this.transport = transport;
        this.measured = measured;
        this.now = now;
        this.before = before;
        this.span = span;
        transport.hearingBefore().addListener((o, was, is) -> hear());
        transport.blind().addListener((o, was, is) -> hear());
        transport.mono().addListener((o, was, is) -> hear());
        transport.wetOnly().addListener((o, was, is) -> hear());
        transport.returnAlone().addListener((o, was, is) -> hear());
        transport.dimDb().addListener((o, was, is) -> hear());
        transport.clicking().addListener((o, was, is) -> hear());
        transport.soloReturn().addListener((o, was, is) -> hear());
        transport.soloSource().addListener((o, was, is) -> hear());
        transport.looping().addListener((o, was, is) -> loop());
        measured.mix().addListener((o, was, is) -> hear());
    }

    /** Makes the design that is to be heard sound, at the loudness of its pair. */
    void hear() {
        Boolean blind = transport.blind().get();
        boolean hearing = blind == null ? transport.hearingBefore().get() : blind;
        MixMeasure mix = measured.mix().get();
        transport.hear(hearing ? before.get() : now.get(), mix == null ? 0 : mix.matchDb(hearing));
    }

    /** Repeats the chosen stretch, if anything is repeated. */
    void loop() {
        transport.setLoop(transport.looping().get() ? span.get() : null);
    }

    /** Repeats a stretch of its own. */
    void loopOver(Span stretch) {
        transport.looping().set(true);
        transport.setLoop(stretch);
    }
}
