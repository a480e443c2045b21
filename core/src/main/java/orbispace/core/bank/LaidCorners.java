package orbispace.core.bank;

import java.util.OptionalDouble;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The corners of a return, moved to where the senders of a song begin and end. */
record LaidCorners(SongEvents song, LayingNotes notes) {
    /** A return with its corners where its senders have theirs. */
    Return of(Return plain, Relations r) {
        Filter out = plain.filterOut();
        Filter.Corner high = moved(out.highPass(), r.highPass(), song.lowEdgeHz(plain), 20, 2000);
        Filter.Corner low = moved(out.lowPass(), r.lowPass(), song.highEdgeHz(plain), 1000, 20000);
        if (high != null && r.highPass().isPresent()) {
            notes.because(
                    Wording.format(
                            "high-pass %.0f Hz, %.2f times where its senders begin%s",
                            high.hz(),
                            r.highPass().getAsDouble(),
                            LayingNotes.usual(r, "high-pass")));
        }
        if (low != null && r.lowPass().isPresent()) {
            notes.because(
                    Wording.format(
                            "low-pass %.0f Hz, %.2f times where they end%s",
                            low.hz(), r.lowPass().getAsDouble(), LayingNotes.usual(r, "low-pass")));
        }
        return plain.withFilterOut(out.withHighPass(high).withLowPass(low));
    }

    private Filter.@Nullable Corner moved(
            Filter.@Nullable Corner was,
            OptionalDouble ratio,
            OptionalDouble edgeHz,
            double least,
            double most) {
        if (was == null || ratio.isEmpty() || edgeHz.isEmpty()) {
            return was;
        }
        double wanted = ratio.getAsDouble() * edgeHz.getAsDouble();
        double hz = Math.clamp(Math.rint(wanted), least, most);
        if (Math.abs(Math.log(hz / wanted)) > 0.05) {
            notes.forced(Wording.format("a corner of %.0f Hz where %.0f was meant", hz, wanted));
        }
        return new Filter.Corner(hz, was.poles());
    }
}
