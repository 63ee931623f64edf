// Shows the batches of the ink room. Some of its calls are wrong.
const mass = 12.5;
const pattern = /["'`]\/${/g;
console.log(`${"K-07".padEnd(8)}|${mass.toFixed(2).padStart(8)}|`);
console.log(`${mass.toFixed(101)} g`);
console.log(`${mass.toPrecision(0)} of ${`${mass.toFixed(2)}`}`);
