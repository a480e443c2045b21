package orbispace.app.desk;

import orbispace.core.audio.Audio;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/** How loud what is heard blind is over the chosen section, as the whole song renders it. */
final class Loud {
    private Loud() {}

    static double lufs(Desk desk, BlindSound heard) {
        Audio mix =
                desk.frame()
                        .measured()
                        .renderer()
                        .orElseThrow()
                        .render(heard.design(), Job.QUIET)
                        .mix();
        Span span = desk.frame().span();
        Audio over =
                mix.slice(
                        (int) Math.round(span.startSeconds() * mix.sampleRateHz()),
                        (int) Math.round(span.endSeconds() * mix.sampleRateHz()));
        return LoudnessMeter.integratedLufs(over).orElseThrow() + heard.gainDb();
    }
}
