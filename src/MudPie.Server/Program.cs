using MudPie.Server;
using MudPie.Server.Calculators;

return args.FirstOrDefault() switch {
    "demo" => await DemoCommand.Run(args[1..]),
    "calc" => CalcCommand.Run(args[1..], Console.In, Console.Out, Console.Error),
    "restore" => BackupCommand.Restore(args[1..], Console.Out, Console.Error),
    "pack" => BackupCommand.Pack(args[1..], Console.Out, Console.Error),
    "unpack" => BackupCommand.Unpack(args[1..], Console.Out, Console.Error),
    "owner" => await OwnerCommand.Run(args[1..], Console.In, Console.Out, Console.Error),
    "backup" => BackupCommand.Run(args[1..], Console.Out, Console.Error),
    _ => await App.Run(args),
};
