package orbispace.files.sheet;

/** The colours of a printed sheet: dark enough to read as grey. */
final class SheetInks {
    static final int BLACK = 0;
    static final int TIME = 0xA03069;

    private static final int[] RETURNS = {
        0x1F7565, 0x2F4296, 0x8E5E0A, 0x5D3467, 0x5B6721, 0x8C2F3B, 0x2C6A86, 0x6E4B33,
        0x2B4A12, 0x5A1212, 0x241A78, 0x7348A0, 0x43174F, 0x7A566E, 0x1E5145, 0x5A5048
    };

    private SheetInks() {}

    /** The ink of a return. */
    static int ofReturn(String id) {
        return RETURNS[Math.floorMod(id.charAt(0) - 'A', RETURNS.length)];
    }
}
