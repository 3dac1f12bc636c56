package fernstep.app.trace;

import fernstep.app.access.Access;
import fernstep.app.standing.Standings;
import fernstep.app.support.Words;
import fernstep.app.trace.LiveStreams.Connected;
import fernstep.core.measure.Reason;
import fernstep.core.trace.Channel;
import fernstep.core.trace.LiveTrace.Sample;
import jakarta.websocket.Session;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.adapter.NativeWebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The open protocol of devices (docs/device-protocol.md): a greeting with the code, then a line of JSON a batch. */
@Component
class DeviceSocket extends TextWebSocketHandler {
    private static final Logger LOG = LoggerFactory.getLogger(DeviceSocket.class);
    private static final String PROTOCOL = "fern-trace/1";
    private static final String STREAM = "stream";
    private static final int LONGEST_LINE = 64 * 1024;
    private static final int MOST_SAMPLES = 1000;

    private final Pairings pairings;
    private final LiveStreams streams;
    private final Recordings recordings;
    private final Access access;
    private final Standings standings;
    private final Words words;
    private final JsonMapper json;
    private final Duration silentAtMost;

    DeviceSocket(
            Pairings pairings,
            LiveStreams streams,
            Recordings recordings,
            Access access,
            Standings standings,
            Words words,
            JsonMapper json,
            @Value("${fern.device-silent-at-most:30s}") Duration silentAtMost) {
        this.pairings = pairings;
        this.streams = streams;
        this.recordings = recordings;
        this.access = access;
        this.standings = standings;
        this.words = words;
        this.json = json;
        this.silentAtMost = silentAtMost;
    }

    @Configuration
    @EnableWebSocket
    static class Route implements WebSocketConfigurer {
        private final DeviceSocket socket;

        Route(DeviceSocket socket) {
            this.socket = socket;
        }

        @Override
        public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
            registry.addHandler(socket, "/device");
        }
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession device) {
        device.setTextMessageSizeLimit(LONGEST_LINE);
        // who says nothing, not even a greeting, is not kept
        if (device instanceof NativeWebSocketSession here) {
            Optional.ofNullable(here.getNativeSession(Session.class))
                    .ifPresent(session -> session.setMaxIdleTimeout(silentAtMost.toMillis()));
        }
    }

    @Override
    protected void handleTextMessage(WebSocketSession device, TextMessage message) throws IOException {
        JsonNode line;
        try {
            line = json.readTree(message.getPayload());
        } catch (JacksonException e) {
            line = json.createObjectNode();
        }
        if (device.getAttributes().get(STREAM) instanceof Connected to) {
            batch(to, line);
        } else {
            greet(device, line);
        }
    }

    private void greet(WebSocketSession device, JsonNode line) throws IOException {
        if (!line.path("hello").asString("").equals(PROTOCOL)) {
            refuse(device, "PROTOCOL", words.of(Reason.of("trace.refused.protocol", PROTOCOL)));
            return;
        }
        String token = line.path("again").asString("");
        if (!token.isEmpty()) {
            Optional<Connected> hers = streams.goOn(token);
            if (hers.isPresent() && closed(hers.get().stream().sessionId())) {
                refuse(device, "CLOSED", words.text("closed.speakFirst"));
                return;
            }
            if (hers.isEmpty()) {
                refuse(device, "AGAIN", words.text("trace.refused.again"));
            } else {
                device.getAttributes().put(STREAM, hers.get());
                welcome(device, token);
            }
            return;
        }
        Optional<Pairings.Paired> paired = pairings.use(line.path("code").asString(""));
        if (paired.isEmpty()) {
            refuse(device, "CODE", words.text("trace.refused.code"));
            return;
        }
        if (closed(paired.get().sessionId())) {
            refuse(device, "CLOSED", words.text("closed.speakFirst"));
            return;
        }
        String unit = line.path("units").path(Channel.CUFF.name()).asString("mmHg");
        if (!unit.equalsIgnoreCase("mmHg")) {
            String why = words.of(Reason.of("trace.refused.unit", unit.length() > 20 ? unit.substring(0, 20) : unit));
            streams.notice(paired.get().sessionId(), why);
            refuse(device, "UNIT", why);
            return;
        }
        try {
            long client = access.clientOfSession(paired.get().sessionId()).orElseThrow();
            Connected to = streams.begin(paired.get(), client);
            // at once: whatever fails from here on, the end of its connection lets the stream go
            device.getAttributes().put(STREAM, to);
            welcome(device, recordings.mayComeBack(to.stream().recordingId()));
        } catch (LiveStreams.Busy e) {
            refuse(device, "BUSY", words.text("trace.refused.busy"));
        }
    }

    /** Nothing is streamed into the session of somebody who does not train now. */
    private boolean closed(String sessionId) {
        return access.clientOfSession(sessionId)
                .map(client -> !standings.of(client).mayTrain().opensSession())
                .orElse(true);
    }

    private void welcome(WebSocketSession device, String token) throws IOException {
        device.sendMessage(new TextMessage(json.writeValueAsString(Map.of("welcome", PROTOCOL, "again", token))));
    }

    private void refuse(WebSocketSession device, String code, String message) throws IOException {
        device.sendMessage(new TextMessage(json.writeValueAsString(Map.of("refused", code, "message", message))));
        device.close(CloseStatus.POLICY_VIOLATION);
    }

    /** One time axis, a list a channel; null where a value is missing. */
    private static void batch(Connected to, JsonNode line) {
        JsonNode times = line.path("ms");
        JsonNode sequence = line.path("seq");
        if (!sequence.isIntegralNumber() || !times.isArray() || times.isEmpty() || times.size() > MOST_SAMPLES) {
            to.stream().unreadable();
            return;
        }
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < times.size(); i++) {
            Map<Channel, Double> values = new EnumMap<>(Channel.class);
            for (Channel channel : Channel.values()) {
                JsonNode value = line.path(channel.name()).path(i);
                if (value.isNumber()) {
                    values.put(channel, value.asDouble());
                } else if (value.isString()) {
                    // "NaN" and its like: said, and a gap
                    values.put(channel, Double.NaN);
                }
            }
            JsonNode at = times.get(i);
            samples.add(new Sample(at.isNumber() ? at.asDouble() : Double.NaN, values));
        }
        to.stream().take(to.number(), sequence.asLong(), samples);
    }

    @Override
    public void afterConnectionClosed(WebSocketSession device, CloseStatus status) {
        if (device.getAttributes().get(STREAM) instanceof Connected to) {
            if (status.getCode() == CloseStatus.NORMAL.getCode()) {
                to.stream().end(to.number());
            } else {
                to.stream().lost(to.number());
            }
            LOG.debug("a device left: {}", status);
        }
    }

    @Override
    public void handleTransportError(WebSocketSession device, Throwable lost) {
        LOG.debug("a device was lost", lost);
    }
}
