package orbispace.app.draw;

import orbispace.core.measure.PolarEnergy;

/**
 * The scale of the Orbit, shared by drawing and pointer: radius is time after the dry sound, angle
 * is stereo position.
 *
 * @param centreX pixels
 * @param centreY pixels, on the baseline
 * @param radius pixels of the last ring
 */
public record PolarAxis(double centreX, double centreY, double radius) {
    /** Pixels from the centre to a time. */
    public double r(double seconds) {
        return radius * PolarEnergy.radius(seconds);
    }

    /** Time at so many pixels from the centre. */
    public double seconds(double r) {
        return PolarEnergy.seconds(Math.clamp(r / radius, 0, 1.02));
    }

    /** Pixels from the centre to a point. */
    public double distance(double x, double y) {
        return Math.hypot(x - centreX, y - centreY);
    }

    /** Bearing of a point in degrees, 0 straight up. */
    public double bearing(double x, double y) {
        return Math.toDegrees(Math.atan2(x - centreX, centreY - y));
    }

    /** Across, of a distance and a bearing from -90 (left) to 90 degrees. */
    public double x(double r, double degrees) {
        return centreX + r * Math.sin(Math.toRadians(degrees));
    }

    /** Down, of a distance and a bearing. */
    public double y(double r, double degrees) {
        return centreY - r * Math.cos(Math.toRadians(degrees));
    }
}
