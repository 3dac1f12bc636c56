package fernstep.app.demo;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import fernstep.app.messages.MailServer;
import jakarta.annotation.PreDestroy;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** A mailbox that takes whatever the demo sends and shows it: real SMTP on loopback, and nothing leaves the machine. */
@Component
@ConditionalOnExpression("${fern.demo} and '${fern.mail.host}'.isEmpty()")
class StandInMailbox implements MailServer {
    private static final Logger LOG = LoggerFactory.getLogger(StandInMailbox.class);
    private static final String HERE = "127.0.0.1";
    private static final int SHOWN = 100;

    private final GreenMail mailbox = new GreenMail(new ServerSetup(0, HERE, ServerSetup.PROTOCOL_SMTP));

    StandInMailbox() {
        mailbox.start();
        LOG.info("the stand-in mailbox listens on port {}", mailbox.getSmtp().getPort());
    }

    @PreDestroy
    void stop() {
        mailbox.stop();
    }

    @Override
    public String host() {
        return HERE;
    }

    @Override
    public int port() {
        return mailbox.getSmtp().getPort();
    }

    @Override
    public String user() {
        return "";
    }

    @Override
    public String password() {
        return "";
    }

    @Override
    public boolean startTls() {
        return false;
    }

    @Override
    public String from() {
        return "studio@tidemark.example";
    }

    @Override
    public List<Received> received() {
        List<Received> all = new ArrayList<>();
        for (MimeMessage message : mailbox.getReceivedMessages()) {
            try {
                all.add(new Received(
                        Arrays.toString(message.getRecipients(Message.RecipientType.TO))
                                .replaceAll("[\\[\\]]", ""),
                        message.getSubject(),
                        String.valueOf(message.getContent()),
                        LocalDateTime.ofInstant(
                                message.getReceivedDate() == null
                                        ? message.getSentDate().toInstant()
                                        : message.getReceivedDate().toInstant(),
                                ZoneId.systemDefault())));
            } catch (MessagingException | IOException e) {
                LOG.warn(
                        "a message in the stand-in mailbox cannot be read: {}",
                        GreenMailUtil.getWholeMessage(message),
                        e);
            }
        }
        Collections.reverse(all);
        return all.subList(0, Math.min(SHOWN, all.size()));
    }
}
