// Prints the batches of the ink room. Some of its calls are wrong.
let mass = 12.5
let lot (x': int) = x'
printfn "%-8s|%8.2f|" "K-07" mass
printfn "%d g" 2.5
[1; 2] |> List.iter (printfn "%d of %s" 3)
printfn "%s and %i" "K-07" (lot 3) |> ignore
(* printfn "%d" "in (* a *) comment" *)
printfn "%y"
