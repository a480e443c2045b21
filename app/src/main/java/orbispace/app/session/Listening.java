package orbispace.app.session;

import java.util.function.Supplier;
import orbispace.core.time.Span;

/** Keeps what is heard in step with the design, the pair of before and after, and the loop. */
final class Listening {
    private final Transport transport;
    private final Measurements measured;
    private final ComparedPair pair;
    private final Referencing references;
    private final Supplier<Span> span;

    Listening(
            Transport transport,
            Measurements measured,
            ComparedPair pair,
            Referencing references,
            Supplier<Span> span) {
        this.transport = transport;
        this.measured = measured;
        this.pair = pair;
        this.references = references;
        this.span = span;
        transport.hearingBefore().addListener((o, was, is) -> hear());
        references.hearing().addListener((o, was, is) -> hear());
        references.held().addListener((o, was, is) -> hear());
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
        MixMeasure mix = measured.mix().get();
        if (blind == null && references.hears()) {
            references.hearOn(transport, mix == null ? 0 : mix.matchDb(false));
            return;
        }
        boolean hearing = blind == null ? transport.hearingBefore().get() : blind;
        double match = mix == null ? 0 : mix.matchDb(hearing);
        transport.hear(
                hearing ? pair.before().get() : pair.after(), match + references.mixGainDb());
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
