package orbispace.app.desk;

import java.util.Map;
import orbispace.core.design.Design;

/**
 * One of two sounds that are heard blind.
 *
 * @param design the field
 * @param factors on sources and what they send, by id
 * @param gainDb by how much it is turned
 */
record BlindSound(Design design, Map<String, Double> factors, double gainDb) {
    /** The same turned by so much more. */
    BlindSound turned(double db) {
        return new BlindSound(design, factors, gainDb + db);
    }
}
