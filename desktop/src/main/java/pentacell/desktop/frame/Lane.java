package pentacell.desktop.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import pentacell.desktop.kit.Background;

/// A lane of work: one thing after another, in the order given, away from the UI thread.
public final class Lane {
    private final Background worker;
    private final Work work;
    private final List<Job> jobs = new ArrayList<>();

    Lane(String name, Work work) {
        this.work = work;
        worker = new Background(name);
    }

    /// Work that can be watched and cancelled.
    public interface Task<T> {
        /// @param job asked now and then whether the work was cancelled, and told how it goes
        T run(Job job) throws Exception;
    }

    /// Does work whose failure would be an internal error.
    ///
    /// @param onUi takes the result on the UI thread, unless another workshop was opened meanwhile
    public <T> Job run(Callable<T> task, Consumer<? super T> onUi) {
        return run(job -> task.call(), onUi, work::failed);
    }

    /// Does work that can fail.
    ///
    /// @param onUi takes the result on the UI thread, unless another workshop was opened meanwhile
    /// @param onFailure takes on the UI thread whatever was thrown
    public <T> Job run(
            Task<T> task, Consumer<? super T> onUi, Consumer<? super Throwable> onFailure) {
        Job job = new Job();
        long workshop = work.workshop();
        jobs.add(job);
        worker.run(
                () -> task.run(job),
                result -> {
                    jobs.remove(job);
                    if (workshop == work.workshop()) onUi.accept(result);
                },
                failure -> {
                    jobs.remove(job);
                    if (workshop == work.workshop()) onFailure.accept(failure);
                });
        return job;
    }

    /// Does work that outlives the open workshop, such as opening the next.
    <T> void runAcrossWorkshops(Callable<T> task, Consumer<? super T> onUi) {
        runAcrossWorkshops(task, onUi, work::failed);
    }

    /// Does work that outlives the open workshop and can fail.
    <T> void runAcrossWorkshops(
            Callable<T> task, Consumer<? super T> onUi, Consumer<? super Throwable> onFailure) {
        worker.run(task, onUi, onFailure);
    }

    void cancelAll() {
        jobs.forEach(Job::cancel);
    }

    void close() {
        worker.close();
    }
}
