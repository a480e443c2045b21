package orbispace.app.session;

/** The open project. */
final class Session {}
