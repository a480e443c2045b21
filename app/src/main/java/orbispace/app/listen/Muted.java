package orbispace.app.listen;

import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;

/** Takes what muted sources send out of what is heard; the design itself stays. */
final class Muted {
    private static final double SOFTEST_SEND_DB = -90;

    private Muted() {}

    /** A design in which some sources send as softly as can be and throw nothing. */
    static Design in(Design design, Set<String> muted) {
        Design heard =
                design.withThrown(
                        design.thrown().stream()
                                .filter(t -> !muted.contains(t.sourceId()))
                                .toList());
        for (Return r : design.returns()) {
            for (String id : r.sends().keySet()) {
                if (muted.contains(id)) {
                    heard = new ReturnEdit.SendLevel(r.id(), id, SOFTEST_SEND_DB).applyTo(heard);
                }
            }
        }
        return heard;
    }
}
