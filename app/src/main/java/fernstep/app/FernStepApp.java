package fernstep.app;

import fernstep.core.catalogue.Catalogue;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.eval.Eval;
import fernstep.exchange.wording.Wording;
import java.nio.file.Path;
import java.time.Clock;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.beans.factory.annotation.Value;
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
        return Clock.systemDefaultZone();
    }

    /**
     * A wrong catalogue file stops the start here, with file, line and reason.
     *
     * @param folder of a house's own strand files; empty for the shipped ones
     */
    @Bean
    Catalogue catalogue(@Value("${fern.catalogue-folder:}") String folder) {
        return folder.isBlank() ? CataloguePackage.shipped() : CataloguePackage.from(Path.of(folder));
    }

    @Bean
    Wording wording() {
        return Wording.english();
    }

    @Bean
    Eval eval(Catalogue catalogue) {
        return new Eval(() -> catalogue);
    }
}
