package orbispace.core.render;

import java.util.Arrays;
import java.util.List;

/** What is sent into one return, summed over parts short enough to stay near the processor. */
final class SendBus {
    /** Frames summed at once. */
    static final int PART = 4096;

    private final List<PrintedSend> sends;
    private final PrintedSend.Work work = new PrintedSend.Work();
    private final Block bus = new Block(new float[PART], new float[PART]);

    private SendBus(List<PrintedSend> sends) {
        this.sends = List.copyOf(sends);
    }

    /** Sums sends over a whole song, in stretches beside each other. */
    static void mixAll(List<PrintedSend> sends, float[] left, float[] right, Job job) {
        Mixdown.stretches(
                left.length,
                (from, to) -> {
                    SendBus bus = new SendBus(sends);
                    for (int at = from; at < to; at += PART) {
                        job.check();
                        bus.mix(at, left, right);
                    }
                });
    }

    /** Sums the sends over the part of the song that begins at a frame, into a song's channels. */
    private void mix(int at, float[] left, float[] right) {
        int n = Math.min(PART, left.length - at);
        Arrays.fill(bus.left, 0);
        Arrays.fill(bus.right, 0);
        for (PrintedSend send : sends) {
            send.add(bus, work, at, n);
        }
        System.arraycopy(bus.left, 0, left, at, n);
        System.arraycopy(bus.right, 0, right, at, n);
    }
}
