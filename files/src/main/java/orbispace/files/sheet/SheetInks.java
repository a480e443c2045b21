package orbispace.files.sheet;

/** The colours of a printed sheet: dark enough to read as grey. */
final class SheetInks {
    static final int BLACK = 0;
    static final int TIME = 0xA8366F;

    private static final int[] RETURNS = {
        0x1F7565, 0x2F4296, 0x8E5E0A, 0x5D3467, 0x5B6721, 0x8C2F3B, 0x47536C, 0x1B2A49
    };

    private SheetInks() {}

    /** The ink of a return. */
    static int ofReturn(String id) {
        return RETURNS[Math.floorMod(id.charAt(0) - 'A', RETURNS.length)];
    }
}
