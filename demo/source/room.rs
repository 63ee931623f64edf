// Prints the batches of the ink room. Some of its calls are wrong.
fn print_batch(code: &str, mass: f64, lot: u32) {
    println!("{code:<8}|{:8.2}|", mass);
    println!("{:x} {:?}", lot, code);
    println!("{:x}", 2.5);
    println!("{} of {}", lot);
    let mark: char = '"'; /* a quote /* in a character */ */
    println!(r#"{:>5} "{}""#, mark, 'a');
}

fn main() {
    print_batch("K-07", 12.5, 1031);
}
