package orbispace.app.view.clear;

import orbispace.app.desk.ClearModel;
import orbispace.core.clear.PairView;
import orbispace.core.clear.River;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.HearingModel;
import orbispace.core.words.Wording;

/** What a place of the Clear screen says in words. */
final class ClearReading {
    private final ClearModel model;
    private final PairView pair;

    ClearReading(ClearModel model, PairView pair) {
        this.model = model;
        this.pair = pair;
    }

    /** What a frame says in a band; empty outside of what was measured. */
    String at(int frame, int band, double seconds) {
        if (frame < 0 || frame >= pair.river().frames()) {
            return "";
        }
        Design design = model.design().get();
        String id = model.selection().returnId().get();
        String name = design.findReturn(id).map(Return::name).orElse("the return");
        String source = model.clearing().source().map(Source::name).orElse("the source");
        String place =
                "Bar "
                        + design.song().clock().barAtSeconds(seconds)
                        + ", "
                        + Wording.hertz(HearingModel.centreHz(band))
                        + ": ";
        boolean speaks = pair.river().course(frame) != River.Course.BLOOMS;
        if (!speaks) {
            return place + source + " rests; " + name + " is heard by itself.";
        }
        return place
                + name
                + (pair.meter().clashAt(frame, band)
                        ? " takes more than a fifth of " + source + " here"
                        : " leaves " + source + " alone here")
                + "; "
                + Wording.percent(pair.meter().keptAt(frame), 0)
                + " of its loudness is left at this moment.";
    }
}
