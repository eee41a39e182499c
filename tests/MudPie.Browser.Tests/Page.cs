using System.Diagnostics;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
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
    /// <summary>The driver looks for a free port and takes it a moment later: no other page may take it meanwhile.</summary>
    private static readonly Lock Ports = new();

    private readonly ChromeDriverService _service;

    /// <summary>Every journey begins at the same hour, so that none hangs on when it is run; the clock goes on from there.</summary>
    public static readonly DateTimeOffset Begins = new(2026, 6, 10, 9, 40, 0, TimeSpan.Zero);

    /// <summary>The demo holding at that hour, made once and copied for each page.</summary>
    private static readonly Lazy<string> Template = new(MakeTemplate);

    private readonly TimeSpan _shift;

    private readonly int? _probePort;
    private readonly StandIns.SimulatedProbe? _probe;

    public Page(bool demo, int width = 1280, int height = 800, bool probe = false, bool weather = false)
    {
        _demo = demo;
        _probePort = probe ? FreePort() : null;
        var copied = demo && !probe;
        if (copied)
        {
            HoldingFile.Copy(Template.Value, Path.Combine(_folder, "holding.mudpie"));
            _demo = false; // it is there already
        }

        _shift = Begins - TimeProvider.System.GetUtcNow();
        lock (Ports)
        {
            _service = ChromeDriverService.CreateDefaultService("/usr/bin");
            _service.StartAsync().AsTask().GetAwaiter().GetResult();
            UseKestrel(0);
            StartServer();
        }

        if (weather)
        {
            using var scope = Services.CreateScope();
            scope.ServiceProvider.GetRequiredService<WeatherBook>().Put(new StandIns.SimulatedWeather(1, Begins).Hours(52.5, 0, Begins.AddHours(-14), 112), "simulated").GetAwaiter().GetResult();
        }

        _probe = probe ? new StandIns.SimulatedProbe(StandIns.ProbeSettings.Read(ProbeSettings), new Shifted(_shift)) : null;
        Address = ClientOptions.BaseAddress;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        foreach (var argument in new[]
        {
            "--headless=new", "--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", "--disable-dev-shm-usage",
            "--hide-scrollbars", "--lang=en-GB", "--force-prefers-reduced-motion", $"--user-data-dir={Path.Combine(_folder, "chrome")}", $"--window-size={width},{height}",
        })
        {
            options.AddArgument(argument);
        }

        Driver = new ChromeDriver(_service, options);
        Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = Clock });
        Size(width, height);
    }

    private static string MakeTemplate()
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("mudpie-template-").FullName, "demo.mudpie");
        using var db = new HoldingDb((DbContextOptions<HoldingDb>)new DbContextOptionsBuilder<HoldingDb>().UseHolding(file).Options);
        HoldingFile.Prepare(db, file);
        DemoHolding.Fill(db, Begins);
        return file;
    }

    private string Clock => $$"""
        { const Real = Date, by = {{(long)_shift.TotalMilliseconds}};
          Date = class extends Real { constructor(...a) { if (a.length) super(...a); else super(Real.now() + by); } static now() { return Real.now() + by; } }; }
        """;

    private sealed class Shifted(TimeSpan by) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + by;
    }

    public Uri Address { get; }

    public ChromeDriver Driver { get; }

    /// <summary>The size of the page itself, not of a window.</summary>
    public void Size(int width, int height) => Driver.ExecuteCdpCommand(
        "Emulation.setDeviceMetricsOverride", new Dictionary<string, object?> { ["width"] = width, ["height"] = height, ["deviceScaleFactor"] = 1, ["mobile"] = width < 600 });

    public void Go(string path) => Driver.Navigate().GoToUrl(new Uri(Address, path));

    /// <summary>Waits until it is so, up to 15 s.</summary>
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
            catch (Exception e) when (e is StaleElementReferenceException or NoSuchElementException or ElementClickInterceptedException or ElementNotInteractableException)
            {
                // Looked at while it was being drawn: look again.
            }

            if (clock.Elapsed > TimeSpan.FromSeconds(15))
            {
                throw new TimeoutException($"Waited for {what}. The page says:\n{Driver.FindElement(By.TagName("body")).Text}");
            }

            Thread.Sleep(50);
        }
    }

    public string Text => Driver.FindElement(By.TagName("body")).Text;

    public void See(string text) => Until(() => Text.Contains(text, StringComparison.OrdinalIgnoreCase), $"“{text}”");

    public IWebElement Find(string xpath) => Until(() => Driver.FindElements(By.XPath(xpath)).FirstOrDefault(e => e.Displayed), xpath);

    /// <summary>Clicks the button, link, choice or summary that begins with these words.</summary>
    public void Click(string words)
    {
        var xpath = $"//*[self::button or self::a or self::summary or @role='radio' or @role='menuitem' or @role='checkbox'][starts-with(normalize-space(translate(., '○●', '')), '{words}') or starts-with(@aria-label, '{words}')]";
        Until(
            () =>
            {
                var element = Driver.FindElements(By.XPath(xpath)).FirstOrDefault(e => e.Displayed && e.Enabled);
                if (element is null)
                {
                    return false;
                }

                Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", element);
                element.Click();
                return true;
            },
            $"something to click that says “{words}”");
    }

    /// <summary>The field under a label that begins with these words.</summary>
    public IWebElement Field(string label) =>
        Find($"//*[self::input or self::textarea or self::select][@id=//label[starts-with(normalize-space(.), '{label}')]/@for] | //label[starts-with(normalize-space(.), '{label}')]//*[self::input or self::textarea or self::select]");

    public void Fill(string label, string value)
    {
        var field = Field(label);
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(value);
    }

    /// <summary>A thumb on the keypad.</summary>
    public void Key(char key)
    {
        var button = Find($"//div[@aria-label='Keypad']/button[.='{key}']");
        Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", button);
        button.Click();
    }

    /// <summary>What axe-core finds wrong with the page as it is, in words; empty is right.</summary>
    /// <param name="within">What to look at; the page's own landmarks are hidden while a dialog is open.</param>
    /// <param name="rule">One rule alone; all where none is named.</param>
    public string Axe(string? within = null, string? rule = null)
    {
        var source = File.ReadAllText(Path.Combine(Root(), "src", "web", "node_modules", "axe-core", "axe.min.js"));
        Driver.ExecuteScript(source + ";window.axe = axe;");
        var found = Driver.ExecuteAsyncScript(
            "const done = arguments[2]; window.axe.run(arguments[0] ?? document, {resultTypes: ['violations'], ...(arguments[1] ? {runOnly: [arguments[1]]} : {})}).then(r => done(r.violations.map(v => v.id + ': ' + v.help + ' — ' + v.nodes.slice(0, 3).map(n => n.html.slice(0, 160)).join(' | ')).join('\\n')));", within, rule);
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
        builder.UseSetting("Holding:File", Path.Combine(_folder, "holding.mudpie"));
        builder.UseSetting("Holding:Demo", _demo ? "true" : "false");
        builder.UseSetting("Holding:Warm", "false");
        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.ConfigureServices(services => services.AddSingleton<TimeProvider>(new Shifted(_shift)));
        if (_probePort is { } port)
        {
            builder.UseSetting("Holding:ProbePort", port.ToString(System.Globalization.CultureInfo.InvariantCulture));
            builder.UseSetting("Holding:ProbeSettings", ProbeSettings);
        }
    }

    protected override void Dispose(bool disposing)
    {
        Driver?.Quit();
        _service.Dispose();
        _probe?.DisposeAsync().AsTask().GetAwaiter().GetResult();
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        try
        {
            Directory.Delete(_folder, true);
        }
        catch (IOException)
        {
            // Chromium may still be letting go of its folder; it lies in the temporary folder anyway.
        }
    }
}
