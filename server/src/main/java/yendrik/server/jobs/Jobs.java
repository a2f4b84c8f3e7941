package yendrik.server.jobs;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.server.http.Answers;
import yendrik.server.jobs.JobView.State;
import yendrik.server.people.Seat;

/**
 * Work that takes longer than anybody waits for an answer. It runs on the server that it was begun
 * at, some at once and the others in turn; everybody may ask any server how far it is. Work that is
 * whole is done with its result in one transaction: when its server ends over it, nothing is.
 */
@Component
public class Jobs implements SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);
  private static final int AT_ONCE = 2;
  private static final int TOLD_MILLIS = 250;
  private static final int ROUNDS_OF_SILENCE = 20;
  private final JobRows rows;
  private final TransactionTemplate transaction;
  private final Answers answers;
  private final Map<Long, UnderWay> here = new ConcurrentHashMap<>();
  private ExecutorService workers = workers();
  private volatile boolean alive;

  Jobs(JobRows rows, TransactionTemplate transaction, Answers answers) {
    this.answers = answers;
    this.rows = rows;
    this.transaction = transaction;
  }

  private static ExecutorService workers() {
    return Executors.newFixedThreadPool(
        AT_ONCE, Thread.ofPlatform().daemon().name("jobs-", 0).factory());
  }

  /** Begins work for somebody in a course; it goes on when the request has been answered. */
  public JobView begin(Seat seat, Work work) {
    JobView begun = rows.begin(seat, work);
    var job = new UnderWay(begun.id(), work);
    here.put(job.id, job);
    workers.execute(() -> run(job, work));
    return begun;
  }

  private void run(UnderWay job, Work work) {
    try {
      if (rows.toBeStopped(List.of(job.id)).contains(job.id)) job.stop();
      job.begins();
      if (work.whole()) transaction.executeWithoutResult(_ -> doIt(job, work));
      else doIt(job, work);
    } catch (Stopped _) {
      ended(job, alive ? State.STOPPED : State.LOST);
    } catch (RuntimeException e) {
      refused(job, answers.to(e));
    } finally {
      here.remove(job.id);
    }
  }

  private void doIt(UnderWay job, Work work) {
    JobResult result = work.doing().run(job);
    rows.done(job.id, result, job.all());
  }

  private void ended(UnderWay job, State state) {
    try {
      rows.ended(job.id, state);
    } catch (RuntimeException e) {
      LOG.warn("job {} ended, and it cannot be said: {}", job.id, e.getMessage());
    }
  }

  private void refused(UnderWay job, ProblemDetail why) {
    Object findings = why.getProperties() == null ? null : why.getProperties().get("findings");
    List<String> all =
        findings instanceof List<?> list ? list.stream().map(String::valueOf).toList() : List.of();
    try {
      rows.refused(job.id, new JobView.Trouble(String.valueOf(why.getDetail()), all));
    } catch (RuntimeException e) {
      LOG.warn("job {} was refused, and it cannot be said: {}", job.id, e.getMessage());
    }
  }

  private void tell() {
    while (alive) {
      try {
        Thread.sleep(TOLD_MILLIS);
        if (here.isEmpty()) continue;
        rows.toBeStopped(here.keySet()).stream()
            .map(here::get)
            .filter(job -> job != null)
            .forEach(UnderWay::stop);
        for (UnderWay job : here.values()) job.tell(rows, ROUNDS_OF_SILENCE);
      } catch (InterruptedException _) {
        Thread.currentThread().interrupt();
        return;
      } catch (RuntimeException e) {
        LOG.warn("cannot say how far jobs are; trying again: {}", e.getMessage());
      }
    }
  }

  @Override
  public void start() {
    alive = true;
    if (workers.isShutdown()) workers = workers();
    Thread.ofPlatform().daemon().name("jobs-told").start(this::tell);
  }

  /** What is whole is given up, and what is not goes on by itself elsewhere. */
  @Override
  public void stop() {
    alive = false;
    here.values().forEach(UnderWay::giveUp);
    workers.close();
  }

  @Override
  public boolean isRunning() {
    return alive;
  }
}
