package fernstep.app.messages;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** A house's own SMTP server, as its environment names it. */
@Component
@ConditionalOnExpression("!${fern.demo} or !'${fern.mail.host}'.isEmpty()")
record HouseMailServer(
        @Value("${fern.mail.host}") String host,
        @Value("${fern.mail.port}") int port,
        @Value("${fern.mail.user}") String user,
        @Value("${fern.mail.password}") String password,
        @Value("${fern.mail.start-tls}") boolean startTls,
        @Value("${fern.mail.from}") String from)
        implements MailServer {
    @Override
    public List<Received> received() {
        return List.of();
    }
}
