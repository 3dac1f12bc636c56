package fernstep.app.demo;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The demo's password is known to everybody: it listens on loopback only, unless somebody says otherwise. */
@Component
@ConditionalOnProperty(name = "fern.demo", havingValue = "true")
class OpenDemo {
    /** @throws IllegalStateException for an address that others reach, where nobody opened the demo */
    OpenDemo(
            @Value("${server.address:}") String address,
            @Value("${fern.demo-open:${FERN_DEMO_OPEN:false}}") boolean open) {
        if (!open && !loopback(address)) {
            throw new IllegalStateException("the demo listens on loopback only; FERN_DEMO_OPEN=true opens it");
        }
    }

    /** An address that is not known is none of ours. */
    static boolean loopback(String address) {
        try {
            return !address.isBlank() && InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }
}
