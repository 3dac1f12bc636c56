package fernstep.app.support;

import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;

/** What is looked at again and again: changes for open boards, mail that is to go out. */
@Configuration
@EnableScheduling
class Scheduling {}
