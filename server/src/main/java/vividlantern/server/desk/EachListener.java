package vividlantern.server.desk;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.PayloadApplicationEvent;
import org.springframework.context.event.SimpleApplicationEventMulticaster;
import org.springframework.context.support.AbstractApplicationContext;
import org.springframework.stereotype.Component;

/**
 * Tells each listener of what happened, whatever becomes of others. What is told of is stored by then: a listener that fails
 * is said in the log, and neither keeps the others from being told nor makes a change look as if it had not been made.
 */
@Component(AbstractApplicationContext.APPLICATION_EVENT_MULTICASTER_BEAN_NAME)
class EachListener extends SimpleApplicationEventMulticaster {

    private static final Logger LOG = LoggerFactory.getLogger(EachListener.class);

    @Override
    protected void invokeListener(ApplicationListener<?> listener, ApplicationEvent event) {
        if (event instanceof PayloadApplicationEvent<?> ours) {
            try {
                super.invokeListener(listener, event);
            } catch (RuntimeException failed) {
                LOG.error(
                        "Somebody could not be told of {}.",
                        ours.getPayload().getClass().getSimpleName(),
                        failed);
            }
        } else {
            super.invokeListener(listener, event);
        }
    }
}
