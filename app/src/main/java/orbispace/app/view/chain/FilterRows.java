package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.BandKnob;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.Filter;
import orbispace.core.design.Knob;
import orbispace.core.design.Return;

/** The numbers of a filter slot, row by row: corners with how steep they are, then bands. */
final class FilterRows {
    private FilterRows() {}

    static List<List<Knob>> of(boolean before, Return r) {
        Filter f = before ? r.filterIn() : r.filterOut();
        Knob high = before ? ChainKnob.HIGH_PASS_BEFORE : ChainKnob.HIGH_PASS;
        Knob low = before ? ChainKnob.LOW_PASS_BEFORE : ChainKnob.LOW_PASS;
        Knob highSlope = before ? ChainKnob.HIGH_SLOPE_BEFORE : ChainKnob.HIGH_SLOPE;
        Knob lowSlope = before ? ChainKnob.LOW_SLOPE_BEFORE : ChainKnob.LOW_SLOPE;
        List<List<Knob>> rows = new ArrayList<>();
        if (f.highPass() == null && f.lowPass() == null) {
            rows.add(List.of(high, low));
        } else {
            rows.add(f.highPass() == null ? List.of(high) : List.of(high, highSlope));
            rows.add(f.lowPass() == null ? List.of(low) : List.of(low, lowSlope));
        }
        for (int i = 0; i < f.bands().size(); i++) {
            rows.add(List.copyOf(BandKnob.of(before, i, f.bands().get(i))));
        }
        return rows;
    }

    /** What makes other rows necessary. */
    static String shape(Filter f) {
        return (f.highPass() == null ? "" : "high")
                + (f.lowPass() == null ? "" : "low")
                + f.bands().stream().map(Filter.Band::kind).toList();
    }
}
