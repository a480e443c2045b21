package orbispace.core.material;

/**
 * A gate that opens for hits and not for bleed.
 *
 * @param thresholdDb middle between the weakest hit and the strongest bleed in the key, dBFS peak
 * @param hysteresisDb a third of the separation
 * @param keyHighPassHz corner of the key's high-pass; 0 for none
 * @param keyLowPassHz corner of the key's low-pass; 0 for none
 * @param separationDb weakest hit less strongest bleed in the key
 * @param events the strokes as the key parts them, with their levels in the plain sound
 */
public record GateKey(
        double thresholdDb,
        double hysteresisDb,
        double keyHighPassHz,
        double keyLowPassHz,
        double separationDb,
        Hits events) {
    /** Whether the key needs no filter. */
    public boolean isPlain() {
        return keyHighPassHz == 0 && keyLowPassHz == 0;
    }
}
