using System.Diagnostics;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using MudPie.Records;
using MudPie.Records.Demo;
using MudPie.Server.Brewing;
using MudPie.Server.Weather;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace MudPie.Browser.Tests;

/// <summary>A real server on a real port, and a headless Chromium looking at it.</summary>
public sealed class Page : WebApplicationFactory<LiveBrew>
{
    private readonly bool _demo;
    private readonly string _folder = Directory.CreateTempSubdirectory("mudpie-browser-").FullName;

    /// <summary>Every journey begins at the same hour, so that none hangs on when it is run; the clock goes on from there.</summary>
    public static readonly DateTimeOffset Begins = new(2026, 6, 10, 9, 40, 0, TimeSpan.Zero);

    /// <summary>The demo holding at that hour, made once and copied for each page.</summary>
    private static readonly Lazy<string> Template = new(MakeTemplate);

    private TimeSpan _shift;
    private string? _clockScript;
    private readonly bool _worker;
    private readonly bool _box;
    private volatile bool _silent;
    private bool _given;

    private readonly int? _probePort;
    private readonly StandIns.SimulatedProbe? _probe;

    /// <param name="demo">Over the demo holding.</param>
    /// <param name="width">Of the page.</param>
    /// <param name="height">Of the page.</param>
    /// <param name="probe">With a simulated probe.</param>
    /// <param name="weather">With simulated weather.</param>
    /// <param name="worker">With a service worker, which keeps the application: the others would fetch all of it for nothing.</param>
    /// <param name="box">A co-operative's box, on which the demo holding is one of several, called north-field.</param>
    public Page(bool demo, int width = 1280, int height = 800, bool probe = false, bool weather = false, bool worker = false,
        bool box = false)
    {
        _worker = worker;
        _demo = demo;
        _box = box;
        var copied = demo && !probe;
        if (copied)
        {
            HoldingCopies.Copy(Template.Value, Path.Combine(_folder, box ? "north-field.mudpie" : "holding.mudpie"));
            _demo = false; // it is there already
        }

        _shift = Begins - TimeProvider.System.GetUtcNow();
        lock (Browsers.Ports)
        {
            _probePort = probe ? FreePort() : null;
            UseKestrel(0);
            StartServer();
            _probe = probe ? new StandIns.SimulatedProbe(StandIns.ProbeSettings.Read(ProbeSettings), new Shifted(() => _shift)) : null;
        }

        if (weather)
        {
            using var scope = Services.CreateScope();
            scope.ServiceProvider.GetRequiredService<WeatherBook>()
                .Put(new StandIns.SimulatedWeather(1, Begins).Hours(52.5, 0, Begins.AddHours(-14), 112), "simulated").GetAwaiter()
                .GetResult();
        }

        Address = ClientOptions.BaseAddress;
        Driver = Browsers.Take();
        SetClock();
        Size(width, height);
    }

    /// <summary>Another browser that looks at the same server.</summary>
    /// <param name="beside">Whose server.</param>
    /// <param name="width">Of the page.</param>
    /// <param name="height">Of the page.</param>
    /// <param name="worker">With a service worker.</param>
    /// <param name="wrongBy">How far this device's clock is ahead of the server's.</param>
    public Page(Page beside, int width = 1280, int height = 800, bool worker = false, TimeSpan wrongBy = default)
    {
        _worker = worker;
        (_shift, Address, Driver) = (beside._shift + wrongBy, beside.Address, Browsers.Take());
        Driver.Manage().Cookies.DeleteAllCookies();
        SetClock();
        Size(width, height);
    }

    /// <summary>Time goes by: for this page's server, and for its browser from the next page that is opened.</summary>
    public void Later(TimeSpan by)
    {
        _shift += by;
        Driver.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", new Dictionary<string, object?> {
            ["identifier"] = _clockScript
        });
        SetClock();
    }

    private void SetClock() => _clockScript = (string)((Dictionary<string, object>)Driver.ExecuteCdpCommand(
        "Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = Clock })!)["identifier"];

    private static string MakeTemplate()
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("mudpie-template-").FullName, "demo.mudpie");
        HoldingFile.Prepare(file, db => DemoHolding.Fill(db, Begins));
        return file;
    }

    /// <summary>While it is set, the server answers nobody: as if it were switched off.</summary>
    public bool Silent
    {
        get => _silent;
        set => _silent = value;
    }

    private string Clock => (_worker ? "" : "delete Navigator.prototype.serviceWorker;") + $$"""
        { const Real = Date, by = {{(long)_shift.TotalMilliseconds}};
          Date = class extends Real { constructor(...a) { if (a.length) super(...a); else super(Real.now() + by); } static now() { return Real.now() + by; } }; }
        { const ask = window.fetch; window.asked = 0;
          const meant = (a) => window.fails && String(a[0].url ?? a[0]).includes(window.fails.path) && window.fails;
          const told = (f, a) => f.how === 'gone' ? Promise.reject(new TypeError('gone'))
            : f.how === 'slow' ? new Promise((go) => { window.letGo = () => { window.fails = null; go(ask(...a)); }; })
            : Promise.resolve(new Response('{"title":"Something broke in Mud Pie."}', { status: 500, headers: { 'Content-Type': 'application/json' } }));
          window.fetch = (...a) => { const f = meant(a); window.asked++; return (f ? told(f, a) : ask(...a)).finally(() => window.asked--); }; }
        """;

    /// <summary>Breaks every connection off while the page's server is silent.</summary>
    private sealed class Hush(Page page) : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) => app =>
        {
            app.Use((context, then) =>
            {
                if (!page.Silent)
                {
                    return then(context);
                }

                context.Abort();
                return Task.CompletedTask;
            });
            next(app);
        };
    }

    private sealed class Shifted(Func<TimeSpan> by) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + by();
    }

    public Uri Address { get; }

    public ChromeDriver Driver { get; }

    /// <summary>The size of the page itself, not of a window.</summary>
    public void Size(int width, int height) => Driver.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride", new Dictionary<string, object?> {
            ["width"] = width, ["height"] = height,
            ["deviceScaleFactor"] = 1, ["mobile"] = width < 600
        });

    /// <summary>Opens a page, once what the one before has asked is answered: a write that is under way is not cut off.</summary>
    public void Go(string path)
    {
        Rest();
        Driver.Navigate().GoToUrl(new Uri(Address, path));
    }

    /// <summary>The same page loaded anew, as <see cref="Go"/> would.</summary>
    public void Again()
    {
        Rest();
        Driver.Navigate().Refresh();
    }

    /// <summary>Waits until nothing is asked of the server.</summary>
    public void Rest() => Until(() => Driver.ExecuteScript("return !(window.asked > 0)") is true, "what was asked to be answered");

    /// <summary>As long as a machine ten times slower may need: what never comes is a failure, however late it is said.</summary>
    internal static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);

    /// <summary>Waits until it is so.</summary>
    public T Until<T>(Func<T?> found, string what)
    {
        var clock = Stopwatch.StartNew();
        while (true)
        {
            try
            {
                if (found() is { } value && value is not false)
                {
                    return value;
                }
            }
            catch (Exception e) when (e is StaleElementReferenceException or NoSuchElementException or ElementClickInterceptedException
                or ElementNotInteractableException)
            {
                // Looked at while it was being drawn: look again.
            }

            if (clock.Elapsed > Patience)
            {
                throw new TimeoutException($"Waited for {what}. The page says:\n{Text}");
            }

            Thread.Sleep(50);
        }
    }

    /// <summary>From now on what is asked at an address that holds this fails: "broken" answers 500, "gone" nothing, "slow" not until
    /// <see cref="LetGo"/>.</summary>
    public void Fail(string path, string how) => Driver.ExecuteScript($"window.fails = {{ path: '{path}', how: '{how}' }}");

    /// <summary>All is well again; what was held back is answered.</summary>
    public void LetGo() => Driver.ExecuteScript("window.fails = null; window.letGo?.()");

    /// <summary>A key pressed in the page itself.</summary>
    public void Key(string key) => new OpenQA.Selenium.Interactions.Actions(Driver).SendKeys(key).Perform();

    /// <summary>All that the page says now; asked of the browser itself, as the driver's own way looks at each element in turn.</summary>
    public string Text => (string)Driver.ExecuteScript("return document.body?.innerText ?? ''")!;

    public void See(string text) => Until(() => Text.Contains(text, StringComparison.OrdinalIgnoreCase), $"“{text}”");

    /// <summary>Waits until what lies there says this.</summary>
    public void See(string xpath, string text) =>
        Until(() => Says(xpath).Contains(text, StringComparison.OrdinalIgnoreCase), $"“{text}” at {xpath}");

    /// <summary>Waits until so many of them are there.</summary>
    public void Count(string xpath, int count) => Until(() => Driver.FindElements(By.XPath(xpath)).Count == count, $"{count} of {xpath}");

    /// <summary>Waits until the page no longer says this.</summary>
    public void SeeNot(string text) => Until(() => !Text.Contains(text, StringComparison.Ordinal), $"“{text}” to be gone");

    /// <summary>What lies there says, read as it stands and not as it is being drawn anew.</summary>
    public string Says(string xpath) => Until(() => Driver.FindElements(By.XPath(xpath)).FirstOrDefault(e => e.Displayed)?.Text, xpath);

    /// <summary>Waits until a field holds this.</summary>
    public void Holds(string label, string value) =>
        Until(() => Field(label).GetDomProperty("value") == value, $"“{value}” in the field “{label}”");

    /// <summary>Brings a file through the page's file field, which may be hidden behind a label.</summary>
    public void Bring(string file) => Until(
        () =>
        {
            if (Driver.FindElements(By.CssSelector("main input[type=file]")).FirstOrDefault() is not { } field)
            {
                return false;
            }

            field.SendKeys(file);
            return true;
        },
        "a field to bring a file through");

    /// <summary>Keys pressed in what lies there.</summary>
    public void Type(string xpath, string keys) => Until(
        () =>
        {
            Find(xpath).SendKeys(keys);
            return true;
        },
        $"something to type into at {xpath}");

    public IWebElement Find(string xpath) => Until(() => Driver.FindElements(By.XPath(xpath)).FirstOrDefault(e => e.Displayed), xpath);

    /// <summary>
    /// Clicks what lies there, as soon as it does, lies still and nothing lies over it; looked up again where the page has drawn it anew
    /// meanwhile.
    /// A page that is still being told what to show may move a button from under the finger.
    /// </summary>
    public void Press(string xpath)
    {
        var looks = 0;
        Until(
            () =>
            {
                if (Driver.FindElements(By.XPath(xpath)).FirstOrDefault(e => e is { Displayed: true, Enabled: true }) is not { } element)
                {
                    return false;
                }

                // a page that never rests is pressed all the same
                if (Driver.ExecuteAsyncScript(LiesStill, element) is not true && ++looks < 200)
                {
                    return false;
                }

                element.Click();
                return true;
            },
            $"something to press at {xpath}");
    }

    /// <summary>Nothing is asked of the server, and two frames on it lies where it lay.</summary>
    private const string LiesStill = """
        const [e, done] = arguments;
        e.scrollIntoView({ block: 'center' });
        const at = () => { const r = e.getBoundingClientRect(); return [r.x, r.y, r.width, r.height, document.documentElement.scrollHeight].join(); };
        const before = at();
        if (window.asked > 0) done(false);
        else requestAnimationFrame(() => setTimeout(() => requestAnimationFrame(() => done(!(window.asked > 0) && e.isConnected && at() === before)), 20));
        """;

    /// <summary>Ticks every box of the slate, once they are there.</summary>
    public void TickAll() => Until(
        () =>
        {
            var boxes = Driver.FindElements(By.XPath("//section[@aria-label='Slate']//fieldset//*[@role='checkbox']"));
            if (boxes.FirstOrDefault(b => b.GetDomAttribute("aria-checked") != "true") is not { } box)
            {
                return boxes.Count > 0;
            }

            Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", box);
            box.Click();
            return false;
        },
        "boxes to tick on the slate");

    /// <summary>Clicks the button, link, choice or summary that begins with these words.</summary>
    public void Click(string words) =>
        Press("//*[self::button or self::a or self::summary or @role='radio' or @role='menuitem' or "
            + $"@role='checkbox'][starts-with(normalize-space(translate(., '○●', '')), '{words}') or starts-with(@aria-label, '{words}')]");

    /// <summary>Opens what is folded under a line that begins with these words, where it is not open already.</summary>
    public void Unfold(string words)
    {
        var line = $"//summary[starts-with(normalize-space(.), '{words}')]";
        Find(line);
        if (Driver.FindElements(By.XPath(line + "/parent::details[@open]")).Count == 0)
        {
            Press(line);
        }
    }

    /// <summary>The field under a label that begins with these words.</summary>
    public IWebElement Field(string label) => Find(FieldPath(label));

    private static string FieldPath(string label) =>
        $"//*[self::input or self::textarea or self::select][@id=//label[starts-with(normalize-space(.), '{label}')]/@for] | "
            + $"//label[starts-with(normalize-space(.), '{label}')]//*[self::input or self::textarea or self::select]";

    /// <summary>Types into a field in place of what stood in it; once more where the field was drawn anew under the typing.</summary>
    public void Fill(string label, string value)
    {
        var tries = 0;
        Until(
            () =>
            {
                if (Driver.FindElements(By.XPath(FieldPath(label))).FirstOrDefault(e => e.Displayed) is not { } field)
                {
                    return false;
                }

                field.SendKeys(Keys.Control + "a");
                field.SendKeys(value);
                return field.GetDomProperty("type") is not ("text" or "textarea" or "password")
                    || field.GetDomProperty("value") == value || ++tries == 3;
            },
            $"a field “{label}” to type into");
    }

    /// <summary>A write that the page itself would make, without its form.</summary>
    public void Asked(string path, string body) => Driver.ExecuteAsyncScript("""
        const [path, body, done] = arguments;
        fetch(path, { method: "POST", body, headers: { "Content-Type": "application/json", "Idempotency-Key": crypto.randomUUID() } })
            .then((r) => done(r.status));
        """, path, body).ShouldBe(200L, path);

    /// <summary>A thumb on the keypad.</summary>
    public void Key(char key) => Press($"//div[@aria-label='Keypad']/button[.='{key}']");

    /// <summary>What axe-core finds wrong with the page as it is, in words; empty is right.</summary>
    /// <param name="within">What to look at; the page's own landmarks are hidden while a dialog is open.</param>
    /// <param name="rule">One rule alone; all where none is named.</param>
    /// <param name="but">One rule that was looked at before.</param>
    public string Axe(string? within = null, string? rule = null, string? but = null)
    {
        if (Driver.ExecuteScript("return window.axe === undefined") is true)
        {
            var source = File.ReadAllText(Path.Combine(Root(), "src", "web", "node_modules", "axe-core", "axe.min.js"));
            Driver.ExecuteScript(source + ";window.axe = axe;");
        }

        var found = Driver.ExecuteAsyncScript("""
            const [within, rule, but, done] = arguments;
            const said = (v) => v.id + ': ' + v.help + ' — ' + v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | ');
            window.axe.run(within ?? document, {
              resultTypes: ['violations'],
              ...(rule ? { runOnly: [rule] } : {}),
              rules: but ? { [but]: { enabled: false } } : {},
            }).then((r) => done(r.violations.map(said).join('\n')));
            """, within, rule, but);
        return (string)found!;
    }

    private string ProbeSettings => Path.Combine(_folder, "probe.json");

    private static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }

    public static string Root()
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "MudPie.slnx")))
        {
            at = Path.GetDirectoryName(at)!;
        }

        return at;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting(_box ? "Holding:Folder" : "Holding:File", _box ? _folder : Path.Combine(_folder, "holding.mudpie"));
        builder.UseSetting("Holding:Demo", _demo ? "true" : "false");
        builder.UseSetting("Holding:Warm", "false");
        builder.UseSetting("Holding:Copies", "false");
        builder.UseSetting("Holding:Say", "false");
        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(new Shifted(() => _shift))
            .AddSingleton<IStartupFilter>(new Hush(this)));
        if (_probePort is { } port)
        {
            builder.UseSetting("Holding:ProbePort", port.ToString(System.Globalization.CultureInfo.InvariantCulture));
            builder.UseSetting("Holding:ProbeSettings", ProbeSettings);
        }
    }

    protected override void Dispose(bool disposing)
    {
        if (!_given && Driver is not null) // it is disposed of more than once, and a browser is given back once
        {
            _given = true;
            Browsers.Give(Driver);
        }

        _probe?.DisposeAsync().AsTask().GetAwaiter().GetResult();
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (disposing && Directory.Exists(_folder))
        {
            Directory.Delete(_folder, true);
        }
    }
}
