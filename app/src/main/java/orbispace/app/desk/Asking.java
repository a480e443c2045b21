package orbispace.app.desk;

import java.util.Optional;
import java.util.function.Supplier;
import orbispace.app.session.Editor;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.Design;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Kept;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import org.jspecify.annotations.Nullable;

/** What is asked of the judged source, what is locked, and how loud one listens. */
public final class Asking {
    private final Editor editor;
    private final Supplier<Optional<Source>> judged;

    Asking(Editor editor, Supplier<Optional<Source>> judged) {
        this.editor = editor;
        this.judged = judged;
    }

    /** What is asked of the judged source against a return: as chosen, or by role. */
    public Optional<Targets> targets(String returnId) {
        Design design = editor.now();
        return judged.get()
                .flatMap(s -> design.findReturn(returnId).map(r -> Targets.asked(design, s, r)));
    }

    /** Whether something else than the default of its role is asked of the judged source. */
    public boolean asksOwn(String returnId) {
        return judged.get().flatMap(s -> editor.now().aims().of(s.id(), returnId)).isPresent();
    }

    /** Wants something of the judged source and a return; null for the default of its role. */
    public void want(String returnId, @Nullable Targets targets) {
        judged.get()
                .ifPresent(s ->
                        editor.edit(
                                new AimsEdit(
                                        editor.now().aims().wanting(s.id(), returnId, targets),
                                        "what is asked of " + s.name() + " and " + returnId)));
    }

    /** Locks a setting of a return against remedies, or frees it. */
    public void lock(String returnId, Setting setting, boolean lock) {
        editor.edit(
                new AimsEdit(
                        editor.now().aims().locking(returnId, setting, lock),
                        setting.label() + " of " + returnId + (lock ? " locked" : " freed")));
    }

    /** Marks what is heard of a return as what must not be lost; null to mark it no more. */
    public void keep(String returnId, @Nullable Kept what) {
        editor.edit(
                new AimsEdit(
                        editor.now().aims().keeping(returnId, what),
                        (what == null ? "keep no more of " : "keep this of ") + returnId));
    }

    /** Listens at another level or in another room. */
    public void listen(HearingLevel level) {
        editor.edit(new AimsEdit(editor.now().aims().hearing(level), "listening level"));
    }
}
