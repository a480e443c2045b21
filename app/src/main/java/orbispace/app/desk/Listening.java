package orbispace.app.desk;

import java.util.Map;
import java.util.Optional;
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
    private final PartMatching matching;
    private final Benching bench;
    private final OwnEars own;

    Listening(
            OpenSong song,
            PartMatching matching,
            Referencing references,
            Benching bench,
            OwnEars own) {
        transport = song.transport();
        mix = song.measured().mix();
        pair = song.pair();
        stretch = song.stretch();
        this.matching = matching;
        this.references = references;
        this.bench = bench;
        this.own = own;
        own.lessons().state().addListener((o, was, is) -> hear());
        own.beliefs().state().addListener((o, was, is) -> hear());
        matching.gains().addListener((o, was, is) -> hear());
        bench.heard().addListener((o, was, is) -> hear());
        transport.hearingBefore().addListener((o, was, is) -> flipped());
        references.hearing().addListener((o, was, is) -> hear());
        references.held().addListener((o, was, is) -> hear());
        transport.blind().addListener((o, was, is) -> hear());
        transport.mono().addListener((o, was, is) -> hear());
        transport.wetOnly().addListener((o, was, is) -> hear());
        transport.returnAlone().addListener((o, was, is) -> hear());
        transport.dimDb().addListener((o, was, is) -> hear());
        transport.clicking().addListener((o, was, is) -> hear());
        transport.set().addListener((o, was, is) -> hear());
        transport.soloWet().addListener((o, was, is) -> hear());
        transport.dryAlone().addListener((o, was, is) -> hear());
        transport.looping().addListener((o, was, is) -> loop());
        mix.addListener((o, was, is) -> hear());
    }

    /** Makes the design that is to be heard sound, at the loudness of its pair. */
    void hear() {
        Optional<BlindSound> one = own.heard();
        if (one.isPresent()) {
            transport.hear(one.get().design(), one.get().factors(), one.get().gainDb());
            return;
        }
        Boolean blind = transport.blind().get();
        MixMeasure known = mix.get();
        if (blind == null && references.hears()) {
            references.hearOn(transport, known == null ? 0 : known.matchDb(false));
            return;
        }
        if (blind == null && transport.dryAlone().get()) {
            double match = known == null ? 0 : known.dryMatchDb();
            transport.hear(MixMeasure.dry(pair.after()), match + references.mixGainDb());
            return;
        }
        boolean hearing = blind == null ? transport.hearingBefore().get() : blind;
        Optional<Map<String, Double>> parts = matching.factors(hearing);
        double match = known == null || parts.isPresent() ? 0 : known.matchDb(hearing);
        Design after = blind == null ? bench.field().orElseGet(pair::after) : pair.after();
        transport.hear(
                hearing ? pair.before().get() : after,
                parts.orElse(Map.of()),
                match + references.mixGainDb());
    }

    private void flipped() {
        transport.dryAlone().set(false);
        hear();
    }

    /** Repeats the chosen stretch, if anything is repeated. */
    void loop() {
        transport.setLoop(transport.looping().get() ? stretch.span() : null);
    }
}
