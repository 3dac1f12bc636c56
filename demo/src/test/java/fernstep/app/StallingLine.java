package fernstep.app;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;

/** A line to a server on loopback on which, for a while, nothing comes through though nobody hangs up. */
final class StallingLine implements AutoCloseable {
    private final ServerSocket here;
    private final int there;
    private final ExecutorService pumps = Executors.newCachedThreadPool();
    private final ReentrantLock lock = new ReentrantLock();
    private final Condition flows = lock.newCondition();
    private boolean stalled;

    StallingLine(int there) throws IOException {
        this.here = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        this.there = there;
        pumps.execute(this::connect);
    }

    int port() {
        return here.getLocalPort();
    }

    void stall(boolean nothingComesThrough) {
        lock.lock();
        try {
            stalled = nothingComesThrough;
            flows.signalAll();
        } finally {
            lock.unlock();
        }
    }

    private void connect() {
        try {
            while (true) {
                Socket caller = here.accept();
                Socket server = new Socket(InetAddress.getLoopbackAddress(), there);
                pumps.execute(() -> pump(caller, server));
                pumps.execute(() -> pump(server, caller));
            }
        } catch (IOException closed) {
            // the line is given up
        }
    }

    private void pump(Socket from, Socket to) {
        byte[] some = new byte[8192];
        try (from;
                to;
                InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream()) {
            for (int read = in.read(some); read >= 0; read = in.read(some)) {
                untilItFlows();
                out.write(some, 0, read);
                out.flush();
            }
        } catch (IOException | InterruptedException over) {
            // either side hung up, or the line is given up
        }
    }

    private void untilItFlows() throws InterruptedException {
        lock.lockInterruptibly();
        try {
            while (stalled) {
                flows.await();
            }
        } finally {
            lock.unlock();
        }
    }

    @Override
    public void close() {
        try {
            here.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        pumps.shutdownNow();
    }
}
