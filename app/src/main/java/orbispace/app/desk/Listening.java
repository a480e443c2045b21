package orbispace.app.desk;

import javafx.beans.property.ReadOnlyObjectProperty;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Referencing;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Stretch;
import orbispace.app.song.MixMeasure;
import orbispace.core.design.Design;
import org.jspecify.annotations.Nullable;

/** Keeps what is heard in step with the design, the pair of before and after, and the loop. */
final class Listening {
    private final Transport transport;
    private final ReadOnlyObjectProperty<@Nullable MixMeasure> mix;
    private final ComparedPair pair;
    private final Referencing references;
    private final Stretch stretch;
    private final Benching bench;

    Listening(
            Transport transport,
            ReadOnlyObjectProperty<@Nullable MixMeasure> mix,
            ComparedPair pair,
            Referencing references,
            Stretch stretch,
            Benching bench) {
        this.transport = transport;
        this.mix = mix;
        this.pair = pair;
        this.references = references;
        this.stretch = stretch;
        this.bench = bench;
        bench.heard().addListener((o, was, is) -> hear());
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
        transport.soloed().addListener((o, was, is) -> hear());
        transport.muted().addListener((o, was, is) -> hear());
        transport.looping().addListener((o, was, is) -> loop());
        mix.addListener((o, was, is) -> hear());
    }

    /** Makes the design that is to be heard sound, at the loudness of its pair. */
    void hear() {
        Boolean blind = transport.blind().get();
        MixMeasure known = mix.get();
        if (blind == null && references.hears()) {
            references.hearOn(transport, known == null ? 0 : known.matchDb(false));
            return;
        }
        boolean hearing = blind == null ? transport.hearingBefore().get() : blind;
        double match = known == null ? 0 : known.matchDb(hearing);
        Design after = blind == null ? bench.field().orElseGet(pair::after) : pair.after();
        transport.hear(hearing ? pair.before().get() : after, match + references.mixGainDb());
    }

    /** Repeats the chosen stretch, if anything is repeated. */
    void loop() {
        transport.setLoop(transport.looping().get() ? stretch.span() : null);
    }
}
