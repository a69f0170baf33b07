using System.CommandLine;
using Umbick.Cli.Running;
using Umbick.Cli.School;
using Umbick.Cli.Testing;

namespace Umbick.Cli;

/// <summary>The verbs of the command line, with their options.</summary>
internal static class Verbs
{
    /// <summary>Builds them.</summary>
    public static RootCommand Build()
    {
        var root = new RootCommand("The launcher's verbs that need the job's own rules. Start them through ./umbick.");
        foreach (var verb in new[] { Database(), Model(), People(), Backups(), TablesInAndOut(), Site(), Tests() }
            .SelectMany(verbs => verbs))
            root.Subcommands.Add(verb);
        return root;
    }

    /// <summary>Its database, and the demonstration in it.</summary>
    private static IEnumerable<Command> Database()
    {
        var mend = Mend();
        var demo = new Option<bool>("--demo") { Description = "Mark the database as a demonstration and fill it." };
        var prepare = new Command("prepare", "Brings the database up to date.") { demo, mend };
        prepare.SetAction((parsed, cancel) => Prepare.Run(parsed.GetValue(demo), parsed.GetValue(mend)));
        yield return prepare;

        var path = new Argument<string>("path") { Description = "The file to make, unless it is there." };
        var certificate = new Command("certificate", "Makes the certificate that wraps the site's cookie keys.") { path };
        certificate.SetAction(parsed => KeyCertificate.Make(parsed.GetRequiredValue(path)));
        yield return certificate;

        var signIn = new Command("demo-sign-in", "Prints how to sign in to the demonstration.");
        signIn.SetAction(_ => Prepare.PrintSignIn());
        yield return signIn;
    }

    /// <summary>What the reading model says, and how well.</summary>
    private static IEnumerable<Command> Model()
    {
        var file = File();
        var dryRun = DryRun();
        var html = new Option<bool>("--html") { Description = "Makes a page instead of JSON." };
        var diagnose = new Command("diagnose", "Says what the answers in a file say, child by child.") { file, html, dryRun };
        diagnose.SetAction((parsed, cancel) => Diagnose.Run(parsed.GetRequiredValue(file), parsed.GetValue(html), parsed.GetValue(dryRun)));
        yield return diagnose;

        var seed = new Option<int>("--seed")
        {
            Description = "The same seed and the same input give the same output.",
            DefaultValueFactory = _ => 1
        };
        var sitting = new Command("sitting", "Asks over standard output and takes answers over standard input, one JSON object a line.")
        {
            seed
        };
        sitting.SetAction(parsed => PlaySittings.Run(parsed.GetValue(seed)));
        yield return sitting;

        var report = new Option<bool>("--report") { Description = "Fixed forms, 24 items and the oracle too." };
        var children = new Option<int>("--children") { Description = "How many children a row.", DefaultValueFactory = _ => 200 };
        var away = new Option<bool>("--away") { Description = "Children who are not made by the model's own rules." };
        var oracle = new Option<bool>("--oracle") { Description = "Away: whoever knows the children, beside it." };
        var heldOut = new Option<bool>("--held-out") { Description = "Away: the variants too that no figure was chosen with." };
        var practice = new Option<bool>("--practice") { Description = "Items to mastery by practice sets, and by sets drawn at random." };
        var decisions = new Option<bool>("--decisions") { Description = "How often each rule of deciding is wrong." };
        var trainer = new Option<bool>("--trainer") { Description = "Three scripted adults at the trainer, and its levels." };
        var district = new Option<bool>("--district") { Description = "Fills an empty database with a district of schools." };
        var (schools, answers) = (new Option<int?>("--schools"), new Option<int?>("--answers"));
        (schools.Description, answers.Description) = ("Of a district: how many schools.", "Of a district: how many answers in all.");
        var simulate = new Command("simulate", "Tries the model on simulated children.")
        {
            report, away, oracle, heldOut, practice, decisions, trainer, children, seed, district, schools, answers
        };
        simulate.SetAction((parsed, cancel) => parsed.GetValue(district)
            ? SimulateDistrict.Run(parsed.GetValue(schools),
                parsed.GetResult(children) is { Implicit: false } ? parsed.GetValue(children) : null, parsed.GetValue(answers), cancel)
            : Task.FromResult(Of(parsed)));
        yield return simulate;

        int Of(ParseResult parsed) => parsed.GetValue(trainer)
            ? SimulateTrainer.Run(parsed.GetResult(children) is { Implicit: false } ? parsed.GetValue(children) : null)
            : parsed.GetValue(decisions)
            ? SimulateDecisions.Run(parsed.GetValue(children), parsed.GetValue(seed))
            : parsed.GetValue(practice)
            ? SimulatePractice.Run(parsed.GetValue(children), parsed.GetValue(seed))
            : parsed.GetValue(away)
            ? SimulateAway.Run(parsed.GetValue(children), parsed.GetValue(seed), parsed.GetValue(oracle), parsed.GetValue(heldOut))
            : Simulate.Run(parsed.GetValue(report), parsed.GetValue(children), parsed.GetValue(seed));
    }

    /// <summary>Schools and their people.</summary>
    private static IEnumerable<Command> People()
    {
        var school = SchoolName();
        var schoolName = new Option<string?>("--name") { Description = "The school's name." };
        var zone = new Option<string?>("--zone") { Description = "Its time zone, such as Europe/London." };
        var teacher = new Option<string?>("--teacher") { Description = "The teacher's name, as colleagues know it." };
        var userName = new Option<string?>("--user-name") { Description = "What they sign in with." };
        var inCharge = new Option<bool>("--in-charge") { Description = "Whether they see to the school's people and records." };
        var newSchool = new Command("new-school", "Makes a school with its first teacher, who is in charge.") { schoolName, zone, teacher,
            userName };
        newSchool.SetAction((parsed, cancel) =>
            NewPeople.NewSchool(parsed.GetValue(schoolName), parsed.GetValue(zone), parsed.GetValue(teacher), parsed.GetValue(userName)));
        yield return newSchool;
        var addTeacher = new Command("add-teacher", "Adds a teacher to a school.") { school, teacher, userName, inCharge };
        addTeacher.SetAction((parsed, cancel) =>
            NewPeople.AddTeacher(parsed.GetValue(school), parsed.GetValue(teacher), parsed.GetValue(userName), parsed.GetValue(inCharge)));
        yield return addTeacher;
        var lockedOut = new Argument<string>("name") { Description = "What they sign in with." };
        var address = new Option<string?>("--address") { Description = "Where the site is reached." };
        var secondStep = new Option<bool>("--second-step") { Description = "Turn their second step off, in place of making a link." };
        var letIn = new Command("let-in", "Makes a link that lets somebody in again.") { lockedOut, address, secondStep };
        letIn.SetAction((parsed, cancel) => parsed.GetValue(secondStep)
            ? NewPeople.SecondStepOff(parsed.GetRequiredValue(lockedOut))
            : NewPeople.LetIn(parsed.GetRequiredValue(lockedOut), parsed.GetValue(address)));
        yield return letIn;
    }

    /// <summary>Backups, and whether all is well.</summary>
    private static IEnumerable<Command> Backups()
    {
        var file = File();
        var mend = Mend();
        var keep = new Option<int?>("--keep") { Description = "In a folder: how many backups are kept, the latest." };
        var newFolder = new Option<bool>("--new-folder") { Description = "Begin a folder of backups." };
        var recipient = new Option<string?>("--recipient") { Description = "Encrypt it by age to this public key, or this file of them." };
        var identity = new Option<string?>("--identity") { Description = "The file with the private key, where it is encrypted." };
        var backup = new Command("backup", "Makes a backup while the site goes on.") { file, keep, newFolder, recipient };
        backup.SetAction((parsed, cancel) => Backup.Make(parsed.GetRequiredValue(file), parsed.GetValue(keep), parsed.GetValue(newFolder),
            parsed.GetValue(recipient)));
        yield return backup;
        var replace = new Option<bool>("--replace") { Description = "Put it in the place of a database that holds a school." };
        var asItWas = new Option<bool>("--as-it-was") { Description = "Leave it as it was made, for the version that made it." };
        var restore = new Command("restore", "Puts a backup in the place of the database.") { file, replace, asItWas, mend,
            identity };
        restore.SetAction((parsed, cancel) => Restore.Run(parsed.GetRequiredValue(file), parsed.GetValue(replace), parsed.GetValue(asItWas),
            parsed.GetValue(mend), parsed.GetValue(identity)));
        yield return restore;
        var checkBackup = new Command("check-backup", "Restores a backup into a database that is thrown away, and counts.") { file,
            identity };
        checkBackup.SetAction((parsed, cancel) => Backup.Check(parsed.GetRequiredValue(file), parsed.GetValue(identity)));
        yield return checkBackup;
        var dropReplaced = new Command("drop-replaced", "Drops what restore has put aside.");
        dropReplaced.SetAction((parsed, cancel) => Replaced.DropAll());
        yield return dropReplaced;
        var recover = new Command("recover", "Clears away what a restore that was killed has left.");
        recover.SetAction((parsed, cancel) => Restore.Recover());
        yield return recover;
        var well = new Command("well", "Says whether all is well.");
        well.SetAction((parsed, cancel) => Well.Run());
        yield return well;
    }

    /// <summary>What comes in and goes out as CSV.</summary>
    private static IEnumerable<Command> TablesInAndOut()
    {
        var file = File();
        var dryRun = DryRun();
        var school = SchoolName();
        var onCaseload = new Option<bool>("--caseload") { Description = "Put children who are new to the school on the caseload." };
        var import = new Command("import", "Takes answers or children in from CSV, whole or not at all.")
        {
            file, school, dryRun, onCaseload
        };
        import.SetAction((parsed, cancel) =>
            InAndOut.Import(parsed.GetRequiredValue(file), parsed.GetValue(school), parsed.GetValue(dryRun),
                parsed.GetValue(onCaseload)));
        yield return import;
        var what = new Argument<string>("what") { Description = "answers or children.", DefaultValueFactory = _ => "answers" };
        what.AcceptOnlyFromAmong("answers", "children");
        var export = new Command("export", "Writes answers or children as CSV to standard output.") { what, school };
        export.SetAction((parsed, cancel) => InAndOut.Export(parsed.GetRequiredValue(what), parsed.GetValue(school)));
        yield return export;
    }

    /// <summary>Starting a site.</summary>
    private static IEnumerable<Command> Site()
    {
        var clone = Clone();
        var tls = new Option<string?>("--certificate") { Description = "The certificate, PEM, with its chain." };
        var tlsKey = new Option<string?>("--key") { Description = "Its key, PEM." };
        var proxy = new Option<string?>("--proxy") { Description = "The address of the proxy that the site stands behind." };
        var hosts = new Option<string[]>("--host") { Description = "A name by which the site is reached.", DefaultValueFactory = _ => [] };
        var port = new Option<int?>("--port") { Description = "The port." };
        var startPlan = new Command("start-plan", "Says how a site is to be started.") { tls, tlsKey, proxy, hosts, port };
        startPlan.SetAction((parsed, cancel) =>
            StartPlan.Run(parsed.GetValue(tls), parsed.GetValue(tlsKey), parsed.GetValue(proxy), parsed.GetValue(hosts) ?? [],
                parsed.GetValue(port)));
        yield return startPlan;

        var mayStart = new Command("may-start", "Whether a school's site may start on this database.");
        mayStart.SetAction((parsed, cancel) => StartChecks.MayStart());
        yield return mayStart;

        var siteName = new Argument<string>("name") { Description = "What the site is for." };
        var urls = new Option<string>("--urls") { Description = "Where it listens.", Required = true };
        var asked = new Option<string>("--ask") { Description = "Where this machine asks whether it is ready.", Required = true };
        var notes = new Option<string[]>("--note")
        {
            Description = "A file of the state folder, written once it is ready: NAME=CONTENT.",
            DefaultValueFactory = _ => []
        };
        var says = new Option<string>("--say") { Description = "What is said once it is ready.", Required = true };
        var cluster = new Option<string?>("--cluster") { Description = "The folder of its database; none where it is somebody else's." };
        var startDatabase = new Option<string[]>("--start-database")
        {
            Description = "The command that starts the database, word by word.",
            DefaultValueFactory = _ => []
        };
        var serve = new Command("serve", "Runs the site until it ends.")
        {
            siteName, clone, urls, asked, notes, says, cluster, startDatabase
        };
        serve.SetAction((parsed, cancel) =>
            new SiteRun(parsed.GetRequiredValue(clone), parsed.GetRequiredValue(siteName),
                parsed.GetValue(cluster) is { } folder ? new Cluster(folder, parsed.GetValue(startDatabase)!) : null)
            .Run(parsed.GetRequiredValue(urls), parsed.GetRequiredValue(asked), parsed.GetValue(notes)!, parsed.GetRequiredValue(says),
                cancel));
        yield return serve;
    }

    /// <summary>The tests.</summary>
    private static IEnumerable<Command> Tests()
    {
        var clone = Clone();
        var browsers = new Option<int>("--browsers")
        {
            Description = "How many classes of the web's tests run at a time.",
            DefaultValueFactory = _ => 3
        };
        var test = new Command("test", "Runs every test there is.") { clone, browsers };
        test.SetAction((parsed, cancel) => TestRun.Run(parsed.GetRequiredValue(clone), parsed.GetValue(browsers), cancel));
        yield return test;
    }

    private static Argument<string> File() => new("file") { Description = "The file." };

    private static Option<bool> Mend() => new("--mend") { Description = "Correct rows that break a rule of this version." };

    private static Option<bool> DryRun() => new("--dry-run") { Description = "Only checks the file." };

    private static Option<string?> SchoolName() => new("--school") { Description = "The school's name; needed where there are several." };

    private static Option<string> Clone() => new("--root") { Description = "The folder of this clone.", Required = true };
}
