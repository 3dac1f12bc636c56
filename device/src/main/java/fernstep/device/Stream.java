package fernstep.device;

import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Speaks the open protocol (docs/device-protocol.md): pairs by a code, then a line for each packet, at the pace of life. */
public final class Stream implements WebSocket.Listener {
    private static final int ANSWERS_WITHIN_S = 10;
    private static final JsonMapper JSON = new JsonMapper();

    private final CompletableFuture<String> paired = new CompletableFuture<>();
    private final CompletableFuture<String> ended = new CompletableFuture<>();
    private final StringBuilder text = new StringBuilder();

    /** The app did not take it, or went. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;

        Refused(String why) {
            super(why);
        }
    }

    /**
     * Plays until she has done.
     *
     * @param cutAfterS goes silent without a word after so many seconds; null to play to the end
     * @throws Refused where the app does not take it, or goes
     */
    public static void play(URI app, String code, Sensor sensor, double rateHz, @Nullable Double cutAfterS)
            throws Refused, InterruptedException {
        Stream stream = new Stream();
        WebSocket socket;
        try {
            socket = HttpClient.newHttpClient()
                    .newWebSocketBuilder()
                    .buildAsync(app, stream)
                    .get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
            send(
                    socket,
                    Map.of(
                            "hello",
                            "fern-trace/1",
                            "code",
                            code,
                            "rateHz",
                            rateHz,
                            "units",
                            Map.of("CUFF", "mmHg", "RIBS", "relative", "BELLY", "relative")));
            String answer = stream.paired.get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
            System.out.println("device: " + answer);
            stream.send(socket, sensor, cutAfterS);
        } catch (ExecutionException | TimeoutException e) {
            throw new Refused(String.valueOf(
                    e.getCause() == null ? e.getMessage() : e.getCause().getMessage()));
        }
    }

    private void send(WebSocket socket, Sensor sensor, @Nullable Double cutAfterS)
            throws InterruptedException, ExecutionException, TimeoutException, Refused {
        long began = System.nanoTime();
        long sequence = 0;
        while (!sensor.isOver()) {
            Sensor.Packet packet = sensor.packet();
            sequence++;
            long due = began + (long) (sensor.atS() * 1e9);
            long wait = due - System.nanoTime();
            if (wait > 0) {
                TimeUnit.NANOSECONDS.sleep(wait);
            }
            if (ended.isDone()) {
                throw new Refused(ended.get());
            }
            if (cutAfterS != null && sensor.atS() > cutAfterS) {
                socket.abort();
                return;
            }
            if (!packet.lost()) {
                send(socket, line(sequence, packet.samples()));
            }
        }
        socket.sendClose(WebSocket.NORMAL_CLOSURE, "done").get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
    }

    private static Map<String, Object> line(long sequence, List<Sample> samples) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("seq", sequence);
        line.put("ms", samples.stream().map(Sample::timeMs).toList());
        for (Channel channel : Channel.values()) {
            line.put(
                    channel.name(),
                    samples.stream().map(s -> s.values().get(channel)).toList());
        }
        return line;
    }

    private static void send(WebSocket socket, Map<String, Object> line)
            throws InterruptedException, ExecutionException, TimeoutException {
        socket.sendText(JSON.writeValueAsString(line), true).get(ANSWERS_WITHIN_S, TimeUnit.SECONDS);
    }

    @Override
    public @Nullable CompletionStage<?> onText(WebSocket socket, CharSequence part, boolean last) {
        text.append(part);
        if (last) {
            String told = text.toString();
            text.setLength(0);
            if (told.contains("\"refused\"")) {
                paired.completeExceptionally(new Refused(told));
            } else {
                paired.complete(told);
            }
        }
        socket.request(1);
        return null;
    }

    @Override
    public @Nullable CompletionStage<?> onClose(WebSocket socket, int status, String reason) {
        ended.complete("the app closed the stream (" + status + " " + reason + ")");
        paired.completeExceptionally(new Refused("the app closed the stream (" + status + " " + reason + ")"));
        return null;
    }

    @Override
    public void onError(WebSocket socket, Throwable error) {
        ended.complete(String.valueOf(error.getMessage()));
        paired.completeExceptionally(error);
    }
}
