package orbispace.core.render;

import java.util.Arrays;
import java.util.List;

/** What is sent into one return, summed over parts short enough to stay near the processor. */
final class SendBus {
    /** Frames summed at once. */
    static final int PART = 512;

    private final List<PrintedSend> sends;
    private final Block bus = new Block(new float[PART], new float[PART]);

    SendBus(List<PrintedSend> sends) {
        this.sends = List.copyOf(sends);
    }

    /** Sums the sends over the part of the song that begins at a frame, into a song's channels. */
    void mix(int at, float[] left, float[] right) {
        int n = Math.min(PART, left.length - at);
        Arrays.fill(bus.left, 0);
        Arrays.fill(bus.right, 0);
        for (PrintedSend send : sends) {
            send.add(bus, at, n);
        }
        System.arraycopy(bus.left, 0, left, at, n);
        System.arraycopy(bus.right, 0, right, at, n);
    }
}
