package orbispace.app;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.ByteArrayOutputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Where libraries print to: each line goes to the log, since standard output is the command's. */
final class LoggedPrints extends OutputStream {
    private static final Logger LOG = LoggerFactory.getLogger(LoggedPrints.class);

    private final ByteArrayOutputStream line = new ByteArrayOutputStream();

    private LoggedPrints() {}

    static PrintStream stream() {
        return new PrintStream(new LoggedPrints(), true, UTF_8);
    }

    @Override
    public synchronized void write(int b) {
        if (b != '\n') {
            line.write(b);
            return;
        }
        LOG.info("{}", line.toString(UTF_8).strip());
        line.reset();
    }
}
