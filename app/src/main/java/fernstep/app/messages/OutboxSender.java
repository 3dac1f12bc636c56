package fernstep.app.messages;

import fernstep.app.house.House;
import fernstep.app.support.Again;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailParseException;
import org.springframework.mail.MailPreparationException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sends what lies in the outbox. A message is taken by one instance, whose hold on it the others pass over, so that two never send
 * the same; whoever goes away in the middle leaves it in doubt, and a person decides. A server that does not answer is
 * tried again, ever later; what it refuses for good is shown as failed.
 */
@Service
class OutboxSender {
    private static final Logger LOG = LoggerFactory.getLogger(OutboxSender.class);
    private static final long LOOKS_EVERY_MS = 2_000;
    private static final int AT_ONCE = 20;
    private static final int MOST_TRIES = 8;
    private static final Duration FIRST_PAUSE = Duration.ofMinutes(1);
    private static final Duration GONE_AFTER = Duration.ofMinutes(10);
    private static final int TIMEOUT_MS = 10_000;
    private static final int LONGEST_ERROR = 300;
    private static final Pattern OFF_LINK = Pattern.compile("https?://\\S+/mail-off/\\S+");

    private final OutboxMapper mapper;
    private final MailServer server;
    private final House house;
    private final TransactionTemplate transactions;
    private final Clock clock;
    private final JavaMailSenderImpl mail = new JavaMailSenderImpl();

    OutboxSender(OutboxMapper mapper, MailServer server, House house, TransactionTemplate transactions, Clock clock) {
        this.transactions = transactions;
        this.mapper = mapper;
        this.server = server;
        this.house = house;
        this.clock = clock;
        mail.setHost(server.host());
        mail.setPort(server.port());
        if (!server.user().isEmpty()) {
            mail.setUsername(server.user());
            mail.setPassword(server.password());
            mail.getJavaMailProperties().put("mail.smtp.auth", "true");
        }
        if (server.startTls()) {
            mail.getJavaMailProperties().put("mail.smtp.starttls.enable", "true");
            mail.getJavaMailProperties().put("mail.smtp.starttls.required", "true");
        }
        for (String wait : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            mail.getJavaMailProperties().put("mail.smtp." + wait, String.valueOf(TIMEOUT_MS));
        }
    }

    @Scheduled(fixedDelay = LOOKS_EVERY_MS)
    void look() {
        try {
            send();
        } catch (RuntimeException e) {
            LOG.warn("the outbox could not be looked at; looked at again", e);
        }
    }

    /** Everything that is due. */
    void send() {
        LocalDateTime now = LocalDateTime.now(clock);
        List<Long> left = mapper.leftBehind(now.minus(GONE_AFTER));
        if (!left.isEmpty()) {
            mapper.doubt(left);
        }
        boolean ready = !server.host().isEmpty() && !house.facts().quietAt(now.toLocalTime());
        if (ready) {
            String look = UUID.randomUUID().toString();
            take(look, now);
            mapper.takenBy(look).forEach(this::sendOrDoubt);
        }
    }

    /**
     * What another instance is taking just now is left to it; where both stumble, there is another look in a moment. Taken by this
     * look and no later one: what is still taken after it may have left.
     */
    private void take(String look, LocalDateTime now) {
        try {
            transactions.executeWithoutResult(status -> {
                List<Long> due = mapper.due(now, AT_ONCE);
                if (!due.isEmpty()) {
                    mapper.take(due, look, now);
                }
            });
        } catch (ConcurrencyFailureException e) {
            LOG.debug("another instance was at the outbox", e);
        }
    }

    /** Where it cannot be written down what became of one, it stays taken, and so in doubt; the others go on. */
    private void sendOrDoubt(OutboxRow row) {
        try {
            send(row);
        } catch (RuntimeException e) {
            LOG.error("what became of message {} could not be written down", row.id(), e);
        }
    }

    void send(OutboxRow row) {
        try {
            mail.send(message(row));
            Again.whole("sent", () -> mapper.sent(row.id()));
        } catch (MailAuthenticationException | MailPreparationException | MailParseException e) {
            LOG.error("message {} cannot be sent", row.id(), e);
            mapper.failed(row.id(), shortened(e));
        } catch (MailException | MessagingException e) {
            boolean refused = e instanceof MailSendException s
                    && s.getFailedMessages().values().stream().anyMatch(OutboxSender::forGood);
            if (refused || row.tries() >= MOST_TRIES) {
                LOG.error("message {} was not sent after {} tries", row.id(), row.tries(), e);
                mapper.failed(row.id(), shortened(e));
            } else {
                LOG.warn("message {} was not sent, try {}", row.id(), row.tries(), e);
                Duration pause = FIRST_PAUSE.multipliedBy(1L << Math.min(MOST_TRIES, row.tries() - 1));
                mapper.tryAgain(row.id(), LocalDateTime.now(clock).plus(pause), shortened(e));
            }
        }
    }

    /** The server said no to the address, which it will say again. */
    private static boolean forGood(Exception problem) {
        return problem instanceof jakarta.mail.SendFailedException s
                && s.getInvalidAddresses() != null
                && s.getInvalidAddresses().length > 0;
    }

    private MimeMessage message(OutboxRow row) throws MessagingException {
        MimeMessage message = mail.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(message, false, "UTF-8");
        helper.setFrom(server.from());
        helper.setTo(row.toAddress());
        helper.setSubject(row.subject());
        helper.setText(row.body());
        Matcher off = OFF_LINK.matcher(row.body());
        if (off.find()) {
            message.setHeader("List-Unsubscribe", "<" + off.group() + ">");
            message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        return message;
    }

    private static String shortened(Exception problem) {
        String text = String.valueOf(problem.getMessage());
        return text.substring(0, Math.min(LONGEST_ERROR, text.length()));
    }
}
