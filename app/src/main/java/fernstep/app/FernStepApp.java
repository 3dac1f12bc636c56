package fernstep.app;

import fernstep.app.rungs.Catalogues;
import fernstep.exchange.eval.Eval;
import java.time.Clock;
import java.time.ZoneId;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

@SpringBootApplication
@MapperScan(basePackages = "fernstep.app", annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class FernStepApp {
    public static void main(String[] args) {
        SpringApplication.run(FernStepApp.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.system(ZoneId.systemDefault());
    }

    @Bean
    Eval eval(Catalogues catalogues) {
        return new Eval(catalogues);
    }
}
